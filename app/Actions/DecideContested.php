<?php

namespace App\Actions;

use App\Models\Contested;
use App\Models\Fact;
use App\Models\Role;
use App\Models\Subject;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;

/** Which of two readings counts, and why. The one that was decided for goes into the record under the name of who took it. */
final readonly class DecideContested
{
    private const LEAST_REASON = 3;

    public function __construct(private RecordFact $record)
    {
    }

    public function __invoke(Contested $contested, Subject $subject, User $by, Role $role, bool $counts, string $reason): void
    {
        if (mb_strlen(trim($reason)) < self::LEAST_REASON) {
            throw Refused::field('reason', Say::text('refused.whyItCounts'));
        }
        DB::transaction(function () use ($contested, $subject, $by, $role, $counts, $reason): void {
            $own = Contested::query()->lockForUpdate()->findOrFail($contested->seq);
            if ($own->counts !== null) {
                throw new Conflict('contested', Say::text('refused.decidedAlready'));
            }
            $own->update([
                'counts' => $counts, 'decided_by' => $by->id, 'reason' => trim($reason), 'decided_at' => now()->format('Y-m-d H:i:s.v'),
            ]);
            if ($counts) {
                $why = Say::text('called.decided', ['name' => $by->name, 'role' => $role->value, 'reason' => trim($reason)]);
                ($this->record)($subject, $own->user, Role::from($own->role), [
                    'id' => $own->id,
                    'step' => $own->step,
                    'value' => $own->value,
                    'recorded_at' => $own->recorded_at,
                    'device' => $own->device,
                    'clock_off_s' => $own->clock_off_s,
                    'supersedes' => $this->inItsPlace($subject, $own)?->id,
                    'reason' => mb_substr($why, 0, 500),
                ]);
            }
        }, 3);
    }

    /** What counts in its place so far: of a step in parts the part that it contradicts. */
    private function inItsPlace(Subject $subject, Contested $contested): ?Fact
    {
        $step = $subject->procedure()->step($contested->step);
        if ($step === null) {
            return null;
        }
        $standing = $subject->standing($contested->step);
        $value = $step->normalise($contested->value);
        foreach ($standing as $fact) {
            $others = array_values($standing->reject(fn (Fact $f) => $f->id === $fact->id)->map(fn (Fact $f) => $f->value)->all());
            if ($others === [] || $step->kind->refusesMore($others, $value) === null) {
                return $fact;
            }
        }

        return $standing->last();
    }
}
