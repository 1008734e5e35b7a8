<?php

namespace App\Programme;

use App\Models\Joint;
use App\Models\Line;
use App\Models\PressureTest;
use App\Models\Section;
use Illuminate\Support\Collection;

/**
 * A line or a section day by day: what was joined and tested, what is to come, and beside both what was taken for the plan.
 *
 * @phpstan-type Done array{joints: int, metres: float, tests: int}
 */
final class DaysOfLine
{
    /** Days that are looked back, and at least so many ahead. */
    private const WEEK = 7;

    private const NOTHING = ['joints' => 0, 'metres' => 0.0, 'tests' => 0];

    /**
     * @param  list<array{date: string, joints: int, metres: float, tests: int}>|null  $taken
     * @return list<array{date: string, made: Done, to_come: Done, plan: Done|null}> a week back, and all days on which something is to
     * come; rising
     */
    public function __invoke(Line $line, ?Section $section, Standing $standing, PlannedDay $planned, ?array $taken): array
    {
        $zone = new \DateTimeZone($line->project->time_zone);
        $dayOf = fn (\DateTimeImmutable $at): string => $at->setTimezone($zone)->format('Y-m-d');
        $metres = $this->metres($line, $section, $standing);
        $made = $toCome = [];
        foreach ($standing->joined as $joint) {
            $at = $standing->of($joint)?->joinedAt;
            if ($at !== null) {
                self::count($made, $dayOf($at), 1, $metres[$joint->id]);
            }
        }
        foreach ($this->accepted($line, $section) as $test) {
            self::count($made, $dayOf($test->sealed_at?->toDateTimeImmutable() ?? throw new \LogicException('Not sealed')), tests: 1);
        }
        foreach ($planned->rows() as $row) {
            if ($row['joined'] !== null) {
                self::count($toCome, $dayOf($row['joined']), 1, $metres[$row['joint']->id]);
            }
        }
        $test = $planned->testAt();
        if ($section !== null && $test !== null) {
            self::count($toCome, $dayOf($test), tests: 1);
        }
        $plan = array_column($taken ?? [], null, 'date');
        $days = [];
        foreach ($this->dates($planned->now->setTimezone($zone), array_keys($toCome), array_keys($plan)) as $date) {
            $of = $plan[$date] ?? null;
            $days[] = [
                'date' => $date,
                'made' => $made[$date] ?? self::NOTHING,
                'to_come' => $toCome[$date] ?? self::NOTHING,
                'plan' => $of === null ? null : ['joints' => $of['joints'], 'metres' => $of['metres'], 'tests' => $of['tests']],
            ];
        }

        return $days;
    }

    /**
     * @param  array<string, Done>  $days
     */
    private static function count(array &$days, string $date, int $joints = 0, float $metres = 0.0, int $tests = 0): void
    {
        $of = $days[$date] ?? self::NOTHING;
        $days[$date] = ['joints' => $of['joints'] + $joints, 'metres' => $of['metres'] + $metres, 'tests' => $of['tests'] + $tests];
    }

    /**
     * @param  list<string>  ...$more
     * @return list<string> rising
     */
    private function dates(\DateTimeImmutable $today, array ...$more): array
    {
        $dates = [];
        for ($i = -self::WEEK; $i <= self::WEEK; $i++) {
            $dates[] = $today->setTime(12, 0)->modify("{$i} days")->format('Y-m-d');
        }
        $later = array_filter(array_merge(...$more), fn (string $date): bool => $date > $dates[0]);
        $all = array_unique([...$dates, ...$later]);
        sort($all);

        return $all;
    }

    /** @return array<string, float> by id of the joint, m: of the pipe that comes behind it */
    private function metres(Line $line, ?Section $section, Standing $standing): array
    {
        $end = $section->to_m ?? $line->centre_line[\count($line->centre_line) - 1][0];
        /** @var Collection<int, Joint> $joints */
        $joints = $standing->joined->concat($standing->left)->sortBy('chainage_m', SORT_NUMERIC)->values();
        $metres = [];
        foreach ($joints as $i => $joint) {
            $metres[$joint->id] = max(0.0, ($joints[$i + 1]->chainage_m ?? $end) - $joint->chainage_m);
        }

        return $metres;
    }

    /** @return Collection<int, PressureTest> */
    private function accepted(Line $line, ?Section $section): Collection
    {
        $sections = $section === null ? $line->sections()->select('id') : [$section->id];

        return PressureTest::query()->whereIn('section_id', $sections)->whereNotNull('sealed_at')->get()->toBase();
    }
}
