<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\ProcedureText;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Joints that the plan of pipe lengths does not know: a saddle on the wall of a pipe, restraints on the ends of a joint. */
final class AddJoints
{
    private const MOST_RESTRAINTS = 12;

    public function __construct(private readonly JudgeSubject $judge)
    {
    }

    /** @throws Refused when the project has no such procedure */
    public function procedure(Line $line, string $hash): ProcedureText
    {
        return ProcedureText::usableIn([$line->project_id])->where('family', 'joint')->find($hash)
            ?? throw Refused::field('procedure_hash', Say::text('refused.chooseForJoint'));
    }

    /**
     * @param  array{
     *     procedure_hash: string, chainage_m?: float|null, number?: string|null,
     *     host_id?: string|null, count?: int|null, pipe?: string|null
     * }  $body
     * @return list<Joint>
     */
    public function __invoke(Line $line, array $body): array
    {
        $procedure = $this->procedure($line, $body['procedure_hash']);
        $procedure->mustSuit($line->pipe, $line->service, 'procedure_hash');
        $place = $procedure->place();

        return DB::transaction(function () use ($line, $body, $procedure, $place): array {
            Line::query()->lockForUpdate()->findOrFail($line->id);
            $new = $place === 'restraint' ? $this->restraints($line, $body, $procedure) : [$this->joint($line, $body, $procedure, $place)];
            array_map(fn (Joint $j) => ($this->judge)($j->refresh()), $new);
            $this->judge->dependants($new[0]);

            return $new;
        });
    }

    /** @param  array<string, mixed>  $body */
    private function joint(Line $line, array $body, ProcedureText $procedure, string $place): Joint
    {
        $at = $body['chainage_m'] ?? throw Refused::field('chainage_m', Say::text('refused.whereIsJoint'));
        $start = $line->centre_line[0][0];
        $end = $start + $line->length();
        if ($at < $start - 1e-6 || $at > $end + 1e-6) {
            throw Refused::field(
                'chainage_m',
                Say::text('refused.offTheLine', ['field' => 'chainage_m', 'at' => $at, 'start' => $start, 'end' => $end]),
            );
        }
        $number = trim((string) ($body['number'] ?? '')) ?: $this->nextNumber($line, $procedure->procedure()->tells->letter);
        if (Joint::query()->where('line_id', $line->id)->where('number', $number)->exists()) {
            throw Refused::field('number', Say::text('refused.jointNumberTaken', ['number' => $number]));
        }

        $pipe = isset($body['pipe']) ? Pipe::findOrMake($line, $body['pipe'], null) : $this->pipeAt($line, $at);

        return $this->made(
            ['line_id' => $line->id, 'number' => $number, 'chainage_m' => $at, 'procedure_hash' => $procedure->hash, 'place' => $place],
            $pipe,
        );
    }

    /**
     * As many on each end of the host as are asked for.
     *
     * @param  array<string, mixed>  $body
     * @return list<Joint>
     */
    private function restraints(Line $line, array $body, ProcedureText $procedure): array
    {
        $host = Joint::query()->where('line_id', $line->id)->where('place', 'in-line')->find($body['host_id'] ?? '')
            ?? throw Refused::field('host_id', Say::text('refused.noHost'));
        if (($why = $host->closed()) !== null) {
            throw new Conflict('host_id', $why);
        }
        $each = (int) ($body['count'] ?? 3);
        if ($each < 1 || $each > self::MOST_RESTRAINTS) {
            throw Refused::field('count', Say::text('refused.restraintsPossible', ['count' => $each, 'most' => self::MOST_RESTRAINTS]));
        }
        $new = [];
        foreach (['a', 'b'] as $side) {
            $have = Joint::query()->where('host_id', $host->id)->where('side', $side)->count();
            for ($n = 1; $n <= $each; $n++) {
                $new[] = $this->made(
                    [
                        'line_id' => $line->id,
                        'number' => $host->number.$side.($have + $n),
                        'chainage_m' => $host->chainage_m,
                        'procedure_hash' => $procedure->hash,
                        'place' => 'restraint',
                        'host_id' => $host->id,
                        'side' => $side,
                    ],
                    $host->pipeOf($side),
                );
            }
        }

        return $new;
    }

    private function nextNumber(Line $line, string $letter): string
    {
        $taken = Joint::query()->where('line_id', $line->id)->where('number', 'like', "{$letter}%")->pluck('number');
        $largest = $taken->map(fn (string $n) => preg_match("/^{$letter}(\d+)$/", $n, $m) === 1 ? (int) $m[1] : 0)->max() ?? 0;

        return $letter.($largest + 1);
    }

    /** @param  array<string, mixed>  $joint */
    private function made(array $joint, ?Pipe $pipe): Joint
    {
        $new = new Joint(['id' => (string) Str::uuid()] + $joint);
        $new->meets(['a' => $pipe, 'b' => null]);
        $new->save();

        return $new;
    }

    /** The pipe that lies there by the plan. */
    private function pipeAt(Line $line, float $at): Pipe
    {
        $inLine = Joint::query()->where('line_id', $line->id)->where('place', 'in-line');
        $after = $inLine->clone()->where('chainage_m', '>=', $at)->orderBy('chainage_m')->first();

        return $after?->pipeOf('a') ??
            ($inLine->clone()->orderByDesc('chainage_m')->first()?->pipeOf('b') ?? Pipe::findOrMake($line, '1', null));
    }
}
