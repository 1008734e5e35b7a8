<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\ProcedureText;
use App\Models\Stretch;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;

/**
 * A record of a line that is of no joint and no test: of a stretch or a point of it, or of the line as a whole. Of what there is
 * one for each day, whoever asks second gets the first one's.
 *
 * @phpstan-type Asked array{
 *     procedure_hash: string, name?: string|null, from_m?: float|int|string|null, to_m?: float|int|string|null
 * }
 */
final class AddStretch
{
    public function __construct(private readonly JudgeSubject $judge)
    {
    }

    /** @param  Asked  $body */
    public function __invoke(Line $line, User $by, array $body): Stretch
    {
        $text = ProcedureText::usableIn([$line->project_id])->where('family', 'stretch')->find($body['procedure_hash'])
            ?? throw Refused::field('procedure_hash', Say::text('refused.chooseForStretch'));
        $procedure = $text->procedure();
        $isOfLine = $procedure->place === Stretch::OF_LINE;
        [$from, $to] = $isOfLine ? self::ends($line) : self::within($line, $body);

        return DB::transaction(function () use ($line, $by, $body, $text, $procedure, $isOfLine, $from, $to): Stretch {
            // One after the other: two who begin the day together begin one day.
            Line::query()->whereKey($line->id)->lockForUpdate()->firstOrFail();
            $like = Stretch::query()->where('line_id', $line->id)->whereHas('procedureText', fn ($q) => $q->where('key', $text->key));
            $name = $procedure->daily ? self::today($line) : trim($body['name'] ?? '');
            $name = $name === '' && $isOfLine ? "{$text->title} ".($like->count() + 1) : $name;
            if ($name === '') {
                throw Refused::field('name', Say::text('refused.nameTheStretch'));
            }
            $today = $procedure->daily ? $like->clone()->where('name', $name)->first() : null;

            return $today ?? $this->made($line, $by, $procedure, ['name' => $name, 'from_m' => $from, 'to_m' => $to]);
        }, KeepPipe::TRIES);
    }

    /** @param  array{name: string, from_m: float, to_m: float|null}  $what */
    private function made(Line $line, User $by, Procedure $procedure, array $what): Stretch
    {
        $stretch = Stretch::query()->create(
            $what + ['line_id' => $line->id, 'procedure_hash' => $procedure->hash, 'user_id' => $by->id],
        );
        ($this->judge)($stretch->refresh());

        return $stretch;
    }

    /** "28 November 2026", at the place */
    private static function today(Line $line): string
    {
        return self::day(now(), new \DateTimeZone($line->project->time_zone));
    }

    /** As the record of a day is called: "4 May 2026". */
    public static function day(\DateTimeInterface $at, \DateTimeZone $zone): string
    {
        return \DateTimeImmutable::createFromInterface($at)->setTimezone($zone)->format('j F Y');
    }

    /** @return array{float, float} */
    private static function ends(Line $line): array
    {
        $start = (float) $line->centre_line[0][0];

        return [$start, $start + $line->length()];
    }

    /**
     * @param  Asked  $body
     * @return array{float, float|null}
     */
    private static function within(Line $line, array $body): array
    {
        [$start, $end] = self::ends($line);
        if (! isset($body['from_m'])) {
            throw Refused::field('from_m', Say::text('refused.whereTheStretchBegins'));
        }
        foreach (['from_m', 'to_m'] as $key) {
            $at = $body[$key] ?? null;
            if ($at !== null && ($at < $start - 1e-6 || $at > $end + 1e-6)) {
                throw Refused::field(
                    $key,
                    Say::text('refused.offTheLine', ['field' => $key, 'at' => $at, 'start' => $start, 'end' => $end]),
                );
            }
        }
        if (isset($body['to_m']) && $body['to_m'] <= $body['from_m']) {
            throw Refused::field(
                'to_m',
                Say::text('refused.stretchEndsEarly', ['to' => $body['to_m'], 'from' => $body['from_m']]),
            );
        }

        return [(float) $body['from_m'], isset($body['to_m']) ? (float) $body['to_m'] : null];
    }
}
