<?php

namespace App\Programme;

use App\Models\Line;
use App\Models\Programme;
use App\Models\Section;
use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Carbon;

/** Takes the days to come for the plan that they will be held against. What was taken before stays in the record. */
final readonly class TakeProgramme
{
    public function __construct(private FindStanding $standing, private PlanDay $plan, private DaysOfLine $days)
    {
    }

    public function __invoke(Line $line, ?Section $section, DayAsked $asked, User $by, \DateTimeImmutable $now): Programme
    {
        $standing = ($this->standing)($line, $section);
        $planned = ($this->plan)($line, $section, $standing, $asked, $now);
        $test = $planned->testFrom();
        $isPlanned = $planned->rows() !== [] || $planned->hung() > 0;
        if ($test === null || ! $isPlanned) {
            throw Refused::field('asked', Say::text($isPlanned ? 'refused.noTestInSight' : 'refused.noDayToPlan'));
        }
        $today = $now->setTimezone(new \DateTimeZone($line->project->time_zone))->format('Y-m-d');
        $days = [];
        foreach (($this->days)($line, $section, $standing, $planned, null) as $day) {
            // What is over was done under another plan, or under none.
            if ($day['date'] < $today) {
                continue;
            }
            $sum = [];
            foreach ($day['made'] as $what => $made) {
                $sum[$what] = $made + $day['to_come'][$what];
            }
            $days[] = ['date' => $day['date'], ...$sum];
        }

        return Programme::query()->create([
            'line_id' => $line->id, 'user_id' => $by->id, 'section_id' => $section?->id, 'asked' => $asked->toArray(),
            'days' => $days, 'test_from' => $test, 'made_at' => Carbon::instance($now),
        ])->setRelation('user', $by);
    }
}
