<?php

namespace App\Actions;

use App\Models\Line;
use App\Models\ProcedureText;
use App\Models\Stretch;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;

/** A stretch or a point of a line on which something is recorded that is no joint and no test. */
final class AddStretch
{
    public function __construct(private readonly JudgeSubject $judge)
    {
    }

    /** @param  array{procedure_hash: string, name: string, from_m: float|int|string, to_m?: float|int|string|null}  $body */
    public function __invoke(Line $line, User $by, array $body): Stretch
    {
        $procedure = ProcedureText::usableIn([$line->project_id])->where('family', 'stretch')->find($body['procedure_hash'])
            ?? throw Refused::field('procedure_hash', Say::text('refused.chooseForStretch'));
        $start = $line->centre_line[0][0];
        $end = $start + $line->length();
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
        $stretch = Stretch::query()->create([
            'line_id' => $line->id,
            'procedure_hash' => $procedure->hash,
            'name' => $body['name'],
            'from_m' => $body['from_m'],
            'to_m' => $body['to_m'] ?? null,
            'user_id' => $by->id,
        ]);
        ($this->judge)($stretch->refresh());

        return $stretch;
    }
}
