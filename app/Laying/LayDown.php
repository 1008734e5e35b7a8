<?php

namespace App\Laying;

use App\Actions\ChangesOfLine;
use App\Actions\KeepPipe;
use App\Actions\ReplanPipes;
use App\Actions\SealSubject;
use App\Models\LayingPlan;
use App\Models\Line;
use App\Models\Role;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Lays a plan down: the joints and pipes that nobody has begun go, those of the plan come, each joint with what the plan asks of it.
 * Recorded with who, why and what stood before, as a seal in the chain of the line.
 *
 * @phpstan-import-type Row from LayingFiles
 */
final readonly class LayDown
{
    /** A face that moved by less than this did not, m. */
    private const MOVED_M = 0.001;

    public function __construct(private FindFace $face, private LayOut $layOut, private ReplanPipes $replan, private SealSubject $seal)
    {
    }

    /** @param  float  $from  chainage of the face that the person saw, m */
    public function __invoke(Line $line, User $by, Role $role, Asked $asked, float $from, string $reason): LayingPlan
    {
        return DB::transaction(function () use ($line, $by, $role, $asked, $from, $reason): LayingPlan {
            $locked = Line::query()->lockForUpdate()->findOrFail($line->id);
            $face = ($this->face)($locked, hold: true);
            if (abs($face->from - $from) > self::MOVED_M) {
                throw new Conflict('from_m', Say::text('refused.faceMoved', ['from' => round($face->from, 2)]));
            }
            $outcome = ($this->layOut)($locked, $face, $asked);
            if (! $outcome['feasible']) {
                throw Refused::field('stock', Say::text('refused.cannotBeLaid'));
            }
            /** @var list<Row> $rows */
            $rows = $outcome['rows'];
            $before = LayingPlan::lastOf($locked);
            ($this->replan)($locked, $face, self::pipes($rows, $asked));
            $plan = LayingPlan::query()->create([
                'line_id' => $locked->id, 'user_id' => $by->id, 'reason' => trim($reason), 'from_m' => $face->from,
                'asked' => $asked->toArray(), 'rows' => $rows, 'made_at' => Carbon::now(),
            ]);
            $this->seal->set($locked, ChangesOfLine::TYPE, (string) Str::uuid(), $locked->procedure_hash, [
                'verdict' => Verdict::Open->value, 'user' => $by->id, 'role' => $role->value, 'alone' => false,
                'judged_with' => ['reason' => trim($reason), 'changes' => [
                    [
                        'key' => 'laying_plan', 'before' => $before === null ? null : ChangesOfLine::hashOf($before->rows),
                        'after' => ChangesOfLine::hashOf($rows),
                    ],
                    ['key' => 'pipes_planned', 'before' => $face->planned->count(), 'after' => LayingFiles::pipesIn($rows)],
                ]],
            ]);

            return $plan->setRelation('user', $by);
        }, KeepPipe::TRIES);
    }

    /**
     * @param  list<Row>  $rows
     * @return list<PlannedPipe>
     */
    private static function pipes(array $rows, Asked $asked): array
    {
        return array_map(fn (array $row): PlannedPipe => new PlannedPipe(
            $row['from_m'],
            // Of a bend as much of the line as it takes: its joints lie on the line, its centre in the corner.
            $row['bend'] === null ? $row['length_m'] : $row['to_m'] - $row['from_m'],
            $row['cut_from_m'],
            array_intersect_key($row, array_flip([
                'angle_deg', 'turn_hour', 'turn_right_deg', 'turn_up_deg', 'gap_difference_m', 'grade_ratio',
            ])) + [
                'limit_deg' => $asked->limit, 'use_deg' => $asked->limit * $asked->share, 'invert_m' => $row['from']['invert_m'],
                'e_m' => $row['from']['e_m'], 'n_m' => $row['from']['n_m'],
                'bend_deg' => $row['bend']['bend_deg'] ?? null, 'bend_hour' => $row['bend']['turn_hour'] ?? null,
            ],
            $row['bend'] === null ? null : [
                'at_m' => $row['bend']['at_m'], 'bend_deg' => $row['bend']['bend_deg'], 'leg_m' => $row['bend']['leg_m'],
            ],
        ), $rows);
    }
}
