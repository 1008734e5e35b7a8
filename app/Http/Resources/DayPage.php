<?php

namespace App\Http\Resources;

use App\Models\Line;
use App\Models\Programme;
use App\Models\Role;
use App\Models\Section;
use App\Programme\ActsOfJoints;
use App\Programme\DayAsked;
use App\Programme\DaysOfLine;
use App\Programme\FindStanding;
use App\Programme\MeansInStores;
use App\Programme\PlanDay;
use App\Programme\PlannedDay;
use App\Programme\Standing;
use Diastoma\Core\Procedure\Tells\Clock;

/** A line or a section against the clock: what is made, what is to come, what holds it up, day by day. */
final class DayPage
{
    /** @return array<string, mixed> */
    public static function of(Line $line, ?Section $section, DayAsked $asked, Role $role, \DateTimeImmutable $now): array
    {
        $standing = app(FindStanding::class)($line, $section);
        $planned = app(PlanDay::class)($line, $section, $standing, $asked, $now);
        $taken = Programme::lastOf($line);
        $taken?->load('user');
        $plan = $taken?->section_id === $section?->id ? $taken?->days : null;

        return $planned->toArray() + [
            'section' => $section?->id,
            'asked' => $asked->toArray(),
            'in_stores' => app(MeansInStores::class)($line, $now),
            'left' => $standing->left->count(),
            'beyond' => max(0, $standing->left->count() - PlanDay::MOST),
            ...$standing->bad(),
            'unsigned' => $standing->made()->where('verdict', '!=', 'bad')->where('state', '!=', 'accepted')->count(),
            'to_hang' => $planned->hung(),
            'others' => $standing->toHang->count() - $planned->hung(),
            'made' => self::made($standing, $line, $planned),
            'days' => app(DaysOfLine::class)($line, $section, $standing, $planned, $plan),
            'may_take' => $role->mayPlanDays(),
            'taken' => $taken === null ? null : [
                'at' => $taken->made_at->toIso8601ZuluString(), 'by' => $taken->user->name, 'section' => $taken->section_id,
                'test_from' => $taken->test_from?->toIso8601ZuluString(),
            ],
        ];
    }

    /**
     * What was joined today, by the clock of the place, and what still cools.
     *
     * @return list<array<string, mixed>>
     */
    private static function made(Standing $standing, Line $line, PlannedDay $planned): array
    {
        $zone = new \DateTimeZone($line->project->time_zone);
        $today = $planned->now->setTimezone($zone)->format('Y-m-d');
        $rows = [];
        foreach ($standing->made() as $joint) {
            $moments = $standing->of($joint);
            $cold = ActsOfJoints::clock($joint, fn (Clock $clock) => $clock->until !== null);
            $isToday = $moments?->joinedAt?->setTimezone($zone)->format('Y-m-d') === $today;
            if ($moments === null || ! $isToday && ($cold === null || $cold <= $planned->now)) {
                continue;
            }
            $rows[] = [
                'id' => $joint->id, 'number' => $joint->number, 'chainage_m' => $joint->chainage_m, 'verdict' => $joint->verdict,
                'hangs' => $joint->place !== 'in-line',
                'prepare_from' => PlannedDay::iso($moments->firstAt), 'ready_at' => PlannedDay::iso($moments->readyAt),
                'fit_from' => PlannedDay::iso($moments->fittedFrom), 'fuse_from' => PlannedDay::iso($moments->fusedFrom),
                'joined_at' => PlannedDay::iso($moments->joinedAt), 'cold_at' => PlannedDay::iso($cold),
                'free_at' => PlannedDay::iso($moments->freeAt),
            ];
        }

        return $rows;
    }
}
