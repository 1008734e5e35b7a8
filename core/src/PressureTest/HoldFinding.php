<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\PressureTest\Decline\Decline;
use Diastoma\Core\PressureTest\Decline\DeclineReader;
use Diastoma\Core\PressureTest\Decline\HoldBlocks;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * What the shut hold of a log looks like, and what that means in litres: a finding beside the verdict of the method, which it
 * never changes. A section that was pumped up while it was shut shows nothing of what it loses.
 */
#[Calculates(
    'hold-finding',
    'What does the shut hold of this log look like?',
    Family::PressureTest,
    [
        'class', 'why', 'start_kpa', 'fall_kpa', 'floor_kpa', 'rate_kpa_h', 'leak_l_h', 'hole_mm', 'hidden_l_h', 'hidden_kpa_h',
        'tau_s', 'wait_min', 'n', 'kpa_per_k', 'lag_s', 'margin', 'points',
    ],
    'The course that fits best (classify-decline), times the compliance of the section; settling by its time constant',
    codes: ['class' => [...Decline::CLASSES, 'lost', 'no-pressure'], 'why' => [...Decline::WHYS, 'pumped']],
)]
final class HoldFinding
{
    /** Drawn by so many points at most. */
    private const DRAWN = 60;

    /** No settling, creep or weather takes more of the pressure of a full section than that share. */
    private const HALF = 0.5;

    /** A hold that settles is flat enough after so many time constants. */
    private const FLAT_AFTER = 3;

    /**
     * @param  list<list<float>>  $samples
     * @param  list<Segment>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Rows('samples', ['t_min', 'pressure_kpa', 'added_l', 'temp_c'], atLeast: 2, optional: 2)] array $samples,
        #[Measure('hold_from_min', Quantity::Time, min: 0)] float $from,
        #[Measure('hold_to_min', Quantity::Time, min: 0)] float $to,
        #[Items('segments', Segment::class)] array $segments,
        #[Measure('t_water_degc', Quantity::Temperature)] float $water,
        #[Flag('plastic', about: 'polyethylene or composite: it creeps')] bool $plastic = false,
        #[Measure('resolution_kpa', Quantity::Pressure, above: 0, about: 'step of the logger')] float $resolution = 1000.0,
        #[Measure('t_load_min', Quantity::Time, above: 0, about: 'start of raise to shut valve')] ?float $load = null,
        #[Measure('no_water_l', Quantity::Volume, min: 0, about: 'what a meter may flicker by')] float $flicker = 5e-5,
    ): array {
        $log = new TestLog($samples);
        $log->mustRise(['hold_from' => $from, 'hold_to' => $to]);
        [$from, $to] = [$from / 60, $to / 60];
        if (($log->moved($from, $to) ?? 0.0) > Si::litres($flicker)) {
            return ['class' => 'cannot-tell', 'why' => 'pumped', 'points' => []];
        }
        if ($log->pressure($from) < self::HALF * max([0.0, ...array_column($samples, 1)])) {
            return ['class' => 'no-pressure', 'start_kpa' => $log->pressure($from), 'points' => []];
        }
        if ($log->pressure($to) < self::HALF * $log->pressure($from)) {
            return ['class' => 'lost', 'fall_kpa' => $log->pressure($from) - $log->pressure($to), 'points' => []];
        }
        $series = $log->series($from, $to);
        $blocks = HoldBlocks::of($series);
        $decline = (new DeclineReader(plastic: $plastic, load: $load, step: self::step($series, Si::kpa($resolution))))->read($blocks);
        $found = $decline->found;
        $litres = $this->litres($segments, $water, TestLog::average($log->between($from, $to)));

        return array_filter([
            'class' => $decline->class,
            'why' => $decline->why,
            ...$found,
            'leak_l_h' => isset($found['rate_kpa_h']) ? $litres($found['rate_kpa_h'])['leak_l_h'] : null,
            'hole_mm' => isset($found['rate_kpa_h']) ? $litres($found['rate_kpa_h'])['hole_mm'] : null,
            'hidden_l_h' => isset($found['hidden_kpa_h']) ? $litres($found['hidden_kpa_h'])['leak_l_h'] : null,
            'wait_min' => self::wait($decline, $blocks->span),
            'points' => self::drawn($decline),
        ], fn (mixed $value) => $value !== null);
    }

    /**
     * A gauge that is read in tens tells nothing of ones, whatever its sheet says: the least change that was read counts.
     *
     * @param  list<list<float>>  $series
     * @param  float  $stated  kPa
     */
    private static function step(array $series, float $stated): float
    {
        $changes = [];
        foreach ($series as $i => $row) {
            $change = $i === 0 ? 0.0 : abs($row[1] - $series[$i - 1][1]);
            $changes[] = $change > 1e-9 ? $change : INF;
        }
        $least = min([INF, ...$changes]);

        return is_finite($least) ? max($stated, $least) : $stated;
    }

    /**
     * @param  list<Segment>  $segments
     * @param  float  $pressure  kPa, mean of the hold
     * @return \Closure(float): array<string, float|null> leak_l_h and hole_mm of so many kPa in an hour
     */
    private function litres(array $segments, float $water, float $pressure): \Closure
    {
        $leak = new LeakFromDecay;

        return fn (float $kpaPerHour): array => $leak($segments, 1000 * max(0.0, $pressure), 1000 * $kpaPerHour / 3600, $water);
    }

    /** min until it is flat enough to begin again; null: it does not settle */
    private static function wait(Decline $decline, float $span): ?float
    {
        $tau = $decline->found['tau_s'] ?? null;
        $settles = $decline->class === 'stabilising' || $decline->why === 'not-flat-yet';

        return $settles && $tau !== null ? max(0.0, self::FLAT_AFTER * $tau - $span) / 60 : null;
    }

    /** @return list<array{float, float}> [min from the beginning of the hold, kPa] */
    private static function drawn(Decline $decline): array
    {
        $points = $decline->drawn();
        $every = max(1, (int) ceil(\count($points) / self::DRAWN));

        return array_values(array_map(
            fn (array $point) => [$point[0] / 60, $point[1]],
            array_filter($points, fn (int $i) => $i % $every === 0 || $i === \count($points) - 1, ARRAY_FILTER_USE_KEY),
        ));
    }
}
