<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * How much ground lies over the crown of a pipe along the line: both are straight between the places at which they are known, so the
 * least cover lies at one of these.
 */
#[Calculates(
    'cover-along',
    'Does enough ground lie over the pipe along the line?',
    Family::Gasketed,
    ['cover_m', 'at_m', 'short', 'unknown', 'verdict', 'reasons'],
    'Geometry: ground less crown; crown = invert less wall, and the outside diameter',
    codes: ['reasons' => ['no-limit', 'ground-unknown', 'no-uncertainty', 'short', 'within-uncertainty']],
)]
final class CoverAlong
{
    /**
     * @param  list<list<float>>  $ground  chainage rising, level, m
     * @param  list<list<float>>  $pipe  chainage rising, invert, m
     * @param  float  $wall  m; where nobody knows it, 0: the crown then lies higher and the cover comes out smaller
     * @return array<string, mixed> `cover_m`, `at_m`: the least and where; `short`: stretches with less than is asked for; `unknown`:
     * stretches of the pipe over which nobody knows the ground
     */
    public function __invoke(
        #[Rows('ground', ['chainage_m', 'level_m'], atLeast: 2)] array $ground,
        #[Rows('pipe', ['chainage_m', 'invert_m'], atLeast: 2)] array $pipe,
        #[Measure('od_mm', Quantity::Length, above: 0, max: 5000)] float $od,
        #[Measure('wall_mm', Quantity::Length, min: 0, max: 500, about: '0 where it is not known')] float $wall = 0.0,
        #[Measure('least_cover_m', Quantity::Length, min: 0, max: 50, about: 'over the crown')] ?float $least = null,
        #[Measure('ground_u_m', Quantity::Length, min: 0, max: 5, about: 'the ground is known to within, k = 2')] ?float $u = null,
    ): array {
        self::refuse($ground, 'ground');
        self::refuse($pipe, 'pipe');
        if (2 * $wall >= $od) {
            throw Refused::field('wall_mm', 'wall_mm must be less than half of od_mm.');
        }
        $covers = self::covers($ground, $pipe, $od - $wall);
        $worst = null;
        foreach ($covers as [$at, $cover]) {
            $worst = $worst === null || $cover < $worst[1] - 1e-12 ? [$at, $cover] : $worst;
        }
        $unknown = self::unknown($ground, $pipe);
        $guard = Guard::judge($worst[1] ?? null, $least, null, $u);
        if ($unknown !== []) {
            $guard = $guard->notGood('ground-unknown');
        }

        return [
            'cover_m' => $worst[1] ?? null,
            'at_m' => $worst[0] ?? null,
            'short' => $least === null ? [] : self::short($covers, $least),
            'unknown' => $unknown,
            'verdict' => $guard->verdict->value,
            'reasons' => self::reasons($guard, $least, $u, $unknown !== []),
        ];
    }

    /** @return list<string> */
    private static function reasons(Guard $guard, ?float $least, ?float $u, bool $isUnknown): array
    {
        return array_keys(array_filter([
            'no-limit' => $least === null,
            'ground-unknown' => $isUnknown,
            'no-uncertainty' => $least !== null && $u === null,
            'short' => $guard->verdict === Verdict::Bad,
            'within-uncertainty' => $guard->verdict === Verdict::Close,
        ]));
    }

    /** @param  list<list<float>>  $rows */
    private static function refuse(array $rows, string $key): void
    {
        for ($i = 1; $i < \count($rows); $i++) {
            if ($rows[$i][0] <= $rows[$i - 1][0]) {
                $row = $i + 1;
                throw Refused::field($key, "{$key}, row {$row}: chainage_m must be greater than in the row before.");
            }
        }
    }

    /**
     * @param  list<list<float>>  $ground
     * @param  list<list<float>>  $pipe
     * @param  float  $crown  above the invert, m
     * @return list<array{float, float}> chainage, cover, m; wherever one of the two bends, and at both ends of what both know
     */
    private static function covers(array $ground, array $pipe, float $crown): array
    {
        $from = max($ground[0][0], $pipe[0][0]);
        $to = min($ground[\count($ground) - 1][0], $pipe[\count($pipe) - 1][0]);
        if ($from > $to) {
            return [];
        }
        $known = array_filter([...array_column($ground, 0), ...array_column($pipe, 0)], fn (float $at): bool => $at > $from && $at < $to);
        $places = array_values(array_unique([$from, ...$known, $to]));
        sort($places);
        [$over, $under] = [new Levels($ground), new Levels($pipe)];

        $covers = [];
        foreach ($places as $at) {
            [$top, $invert] = [$over->at($at), $under->at($at)];
            if ($top !== null && $invert !== null) {
                $covers[] = [$at, $top - $invert - $crown];
            }
        }

        return $covers;
    }

    /**
     * @param  list<array{float, float}>  $covers
     * @return list<array{from_m: float, to_m: float}>
     */
    private static function short(array $covers, float $least): array
    {
        $short = [];
        for ($i = 1; $i < \count($covers); $i++) {
            [[$from, $a], [$to, $b]] = [$covers[$i - 1], $covers[$i]];
            if (min($a, $b) >= $least - 1e-9) {
                continue;
            }
            $crosses = $a === $b ? $from : $from + ($to - $from) * ($least - $a) / ($b - $a);
            [$begins, $ends] = [$a < $least ? $from : $crosses, $b < $least ? $to : $crosses];
            $before = array_pop($short);
            if ($before !== null && $begins <= $before['to_m'] + 1e-9) {
                $begins = $before['from_m'];
            } elseif ($before !== null) {
                $short[] = $before;
            }
            $short[] = ['from_m' => $begins, 'to_m' => $ends];
        }

        return $short;
    }

    /**
     * @param  list<list<float>>  $ground
     * @param  list<list<float>>  $pipe
     * @return list<array{from_m: float, to_m: float}>
     */
    private static function unknown(array $ground, array $pipe): array
    {
        [$from, $to] = [$pipe[0][0], $pipe[\count($pipe) - 1][0]];
        [$first, $last] = [$ground[0][0], $ground[\count($ground) - 1][0]];
        if ($last <= $from || $first >= $to) {
            return [['from_m' => $from, 'to_m' => $to]];
        }

        return array_values(array_filter([
            $first > $from + 1e-9 ? ['from_m' => $from, 'to_m' => $first] : null,
            $last < $to - 1e-9 ? ['from_m' => $last, 'to_m' => $to] : null,
        ]));
    }
}
