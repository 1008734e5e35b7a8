<?php

namespace App\Programme;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Section;
use Diastoma\Core\Procedure\Tells\Clock;
use Diastoma\Core\Programme\ActTime;
use Diastoma\Core\Programme\DayAttached;
use Diastoma\Core\Programme\DayJoint;
use Diastoma\Core\Programme\DayPlan;
use Diastoma\Core\Programme\JointMoments;
use Illuminate\Support\Collection;

/**
 * The days to come of a line from now on: joints that are still to be made against the clock, from what is made already, what is to
 * hand and how long each act takes. Nothing is kept.
 */
final readonly class PlanDay
{
    /** So far is looked ahead, days. */
    private const DAYS = 120;

    /** So many joints are planned; of a section with more the test cannot be told yet. */
    public const MOST = 400;

    /** And so many saddles, restraints and the like. */
    private const MOST_HUNG = 200;

    /** A scraped end does not wait: so many joints stand prepared. */
    private const AHEAD = 1.0;

    /** What an hour of rain costs is always said, s. */
    private const RAIN_S = 3600.0;

    private const MINUTE = 60.0;

    public function __construct(private TestTime $testTime)
    {
    }

    /** @param  Section|null  $section  null: the whole line, which has no test of its own */
    public function __invoke(
        Line $line, ?Section $section, Standing $standing, DayAsked $asked, \DateTimeImmutable $now,
    ): PlannedDay {
        $shift = $asked->shift(new \DateTimeZone($line->project->time_zone));
        $left = $standing->left->take(self::MOST);
        $acts = new ActsOfJoints($line, $asked, $standing);
        $times = $left->mapWithKeys(fn (Joint $joint) => [$joint->id => $acts->of($joint)])->all();
        // What hangs on the line is planned as far as it is known how long it takes.
        $ofHung = $standing->toHang->mapWithKeys(fn (Joint $joint) => [$joint->id => $acts->of($joint)])->all();
        $toHang = $standing->toHang->filter(fn (Joint $joint): bool => self::missing(['' => $ofHung[$joint->id]]) === [])
            ->take(self::MOST_HUNG)->values();
        $testsFrom = self::madeMayBeTested($standing, $now);
        $test = ($this->testTime)($line, $section, $asked);
        if ($left->isEmpty() && $toHang->isEmpty() || self::missing($times) !== []) {
            return new PlannedDay($now, $shift, $left, $times, [], null, 0.0, $testsFrom, [], $toHang, $test);
        }
        $all = $times + array_intersect_key($ofHung, array_flip($toHang->pluck('id')->all()));
        $isFused = $left->contains(fn (Joint $joint) => isset($times[$joint->id]['cool']));
        $needsBox = array_filter($all, fn (array $acts): bool => isset($acts['fuse'])) !== [];
        $atWork = $isFused ? self::clampsAtWork($standing, $asked, $now) : [];
        $rest = max([0.0, ...array_map(fn (array $acts): float => $acts['rest']->min ?? 0.0, array_values($all))]);
        $pauses = $shift->pauses($now, self::DAYS, $asked->rain * self::MINUTE);
        $plan = (new DayPlan)(
            self::joints($left, $standing, $times, $asked, $now),
            (float) $asked->crews,
            // More sets are at work than were said: they are there.
            $isFused ? (float) max($asked->clamps, \count($atWork)) : 0.0,
            $needsBox ? (float) $asked->boxes : 0.0,
            $asked->move * self::MINUTE,
            $rest * self::MINUTE,
            array_map(fn (array $pause): array => [$pause[0] / self::MINUTE, $pause[1] / self::MINUTE], $pauses),
            ahead: self::AHEAD,
            clampsFree: $atWork,
            notBefore: (float) ($testsFrom->getTimestamp() - $now->getTimestamp()),
            rain: $asked->rain * self::MINUTE + self::RAIN_S,
            attached: self::attached($toHang, $left, $standing, $ofHung, $now),
            plant: (float) $asked->plant,
        );

        return new PlannedDay($now, $shift, $left, $times, $pauses, $plan, $rest, $testsFrom, $atWork, $toHang, $test);
    }

    /**
     * @param  array<string, array<string, ActTime>>  $times
     * @return list<string> acts of which nobody knows how long they take
     */
    public static function missing(array $times): array
    {
        $missing = [];
        foreach ($times as $acts) {
            foreach ($acts as $act => $time) {
                if ($time->min === null) {
                    $missing[$act] = $act;
                }
            }
        }

        return array_values($missing);
    }

    /** What is made already is tested from then on, by its clocks; now, where no clock runs. */
    private static function madeMayBeTested(Standing $standing, \DateTimeImmutable $now): \DateTimeImmutable
    {
        return $standing->made()
            ->map(fn (Joint $joint) => ActsOfJoints::clock($joint, fn (Clock $clock) => $clock->name === Clock::TEST))
            ->filter()
            ->push($now)
            ->max() ?? $now;
    }

    /** @return list<float> minutes from now until each set of clamps that is still at work comes free and lies at the next joint */
    private static function clampsAtWork(Standing $standing, DayAsked $asked, \DateTimeImmutable $now): array
    {
        $free = [];
        foreach ($standing->joined as $joint) {
            $until = ActsOfJoints::clock($joint, fn (Clock $clock) => $clock->until !== null);
            if ($until !== null && $until > $now && $standing->of($joint)?->freeAt === null) {
                $free[] = ($until->getTimestamp() - $now->getTimestamp()) / self::MINUTE + $asked->move;
            }
        }

        return $free;
    }

    /**
     * @param  Collection<int, Joint>  $left
     * @param  array<string, array<string, ActTime>>  $times
     * @return list<DayJoint>
     */
    private static function joints(
        Collection $left, Standing $standing, array $times, DayAsked $asked, \DateTimeImmutable $now,
    ): array {
        $opens = ($asked->typed('open') ?? 0.0) * self::MINUTE;
        // Where somebody has begun or a bad joint lies the trench is open; of those to come as many as was said.
        $closed = $left->where('state', 'planned')->filter(fn (Joint $joint): bool => $joint->exists)
            ->skip($asked->openAhead)->pluck('id')->flip();

        return array_values($left
            ->map(fn (Joint $joint): DayJoint => self::remaining(
                $joint, $standing->of($joint), $times[$joint->id], $now, isset($closed[$joint->id]) ? $opens : 0.0,
            ))
            ->all());
    }

    /**
     * A saddle waits for the joint behind it, from which on the pipe lies there; a restraint for the joint that it holds.
     *
     * @param  Collection<int, Joint>  $toHang
     * @param  Collection<int, Joint>  $left
     * @param  array<string, array<string, ActTime>>  $times
     * @return list<DayAttached>
     */
    private static function attached(
        Collection $toHang, Collection $left, Standing $standing, array $times, \DateTimeImmutable $now,
    ): array {
        // What is made in the place of a bad one is known by that.
        $key = fn (?Joint $joint): string => (string) ($joint?->exists === false ? $joint->replaces_id : $joint?->id);
        $toMake = $left->mapWithKeys(fn (Joint $joint) => [$key($joint) => $joint->number]);
        $behind = fn (Joint $hangs): ?Joint => $standing->joined->concat($left)
            ->filter(fn (Joint $joint): bool => $joint->chainage_m <= $hangs->chainage_m)
            ->sortBy('chainage_m', SORT_NUMERIC)->last();

        return array_values($toHang->map(function (Joint $joint) use ($toMake, $key, $behind, $standing, $times, $now): DayAttached {
            $still = self::remaining($joint, $standing->of($joint), $times[$joint->id], $now, 0.0);
            $host = $toMake[$joint->host_id ?? $key($behind($joint))] ?? '';

            return new DayAttached($joint->number, $still->prepare, $still->fit, $still->fuse, $still->cool, $host);
        })->all());
    }

    /**
     * What is still to be done at it: less what its record tells, and not less what the clock tells, for nobody need have worked
     * since; power alone runs by the clock.
     *
     * @param  array<string, ActTime>  $times
     * @param  float  $opens  of the plant, s
     */
    private static function remaining(
        Joint $joint, ?JointMoments $moments, array $times, \DateTimeImmutable $now, float $opens,
    ): DayJoint {
        $of = fn (string $act): float => ($times[$act]->min ?? 0.0) * self::MINUTE;
        $spent = fn (?\DateTimeImmutable $from, ?\DateTimeImmutable $to): float => $from === null || $to === null
            ? 0.0
            : (float) max(0, $to->getTimestamp() - $from->getTimestamp());
        $isFitted = $moments?->fusedFrom !== null;
        $isPrepared = $isFitted || $moments?->fittedFrom !== null;

        return new DayJoint(
            $joint->number,
            $isPrepared ? 0.0 : max(0.0, $of('prepare') - $spent($moments?->firstAt, $moments?->readyAt)),
            $isFitted ? 0.0 : $of('fit'),
            max(0.0, $of('fuse') - $spent($moments?->fusedFrom, $now)),
            $of('cool'),
            $opens,
        );
    }
}
