<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\Spread;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Does the gasket sit in its groove all round? A blade that goes in deeper than it should finds a gasket that was pushed out,
 * one that stops short a gasket that was rolled or folded: pulled, looked at, and joined again.
 *
 * Without the uncertainty of a reading it is close at best; read on one side it is open, unless it is bad there already.
 */
#[Calculates(
    'feeler-check',
    'Does the gasket sit in its groove all round?',
    Family::Gasketed,
    [
        'bad_hours', 'deep_hours', 'shallow_hours', 'stretch_from', 'stretch_to', 'stretch_deg', 'stretch_m',
        'min_depth_m', 'max_depth_m', 'deepest_mm', 'limit_used_mm', 'empty_arc_deg', 'failed', 'pass', 'verdict', 'reasons',
    ],
    'Common practice: depths of the maker\'s sheet, all round',
    codes: ['failed' => ['reassemble'], 'reasons' => ['bunched', 'no-uncertainty', 'near-limit']],
)]
final class FeelerCheck
{
    /**
     * @param  non-empty-list<SealReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', SealReading::class, 'hour', 'depth')] array $readings,
        #[Measure('depth_min_m', Quantity::Length, min: 0)] float $least,
        #[Measure('depth_max_m', Quantity::Length, min: 0)] float $most,
        #[Number('min_readings', min: 1, whole: true)] float $wanted = 8.0,
        #[Flag('feeler_allowed', about: 'a blade fits this kind of joint')] bool $allowed = true,
        #[Measure('u_m', Quantity::Length, min: 0, about: 'uncertainty of one reading, k = 2')] ?float $uncertainty = null,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] ?float $od = null,
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::ALL_ROUND_DEG,
    ): array {
        if (! $allowed) {
            throw Refused::field('feeler_allowed', 'feeler_allowed is false: no blade fits this kind of joint, its marks tell.');
        }
        if ($least > $most) {
            throw Refused::field('depth_min_m', "depth_min_m {$least} m is more than depth_max_m {$most} m.");
        }
        if (\count($readings) < $wanted) {
            throw Refused::field('readings', 'readings: '.\count($readings)." were taken; {$wanted} round the joint are wanted.");
        }
        usort($readings, fn (SealReading $a, SealReading $b) => fmod($a->hour, 12) <=> fmod($b->hour, 12));
        $isDeep = fn (SealReading $r): bool => ! Compare::atMost($r->depth, $most);
        $isShallow = fn (SealReading $r): bool => ! Compare::atLeast($r->depth, $least);
        $isBad = fn (SealReading $r): bool => $isDeep($r) || $isShallow($r);
        $deep = $this->hours($readings, $isDeep);
        $shallow = $this->hours($readings, $isShallow);
        $bad = $this->hours($readings, $isBad);
        $depths = array_map(fn (SealReading $r) => $r->depth, $readings);
        $spread = Spread::of(array_map(fn (SealReading $r) => 30 * $r->hour, $readings));
        $bunched = $spread->emptyArc > $maxEmptyArc + 1e-9;
        $room = min($most - max($depths), min($depths) - $least);
        $near = $uncertainty !== null && $room < $uncertainty - Compare::slack($uncertainty);
        $pass = $bad === [] ? ($bunched ? null : true) : false;
        $verdict = match (true) {
            $pass === false => Verdict::Bad,
            $pass === null => Verdict::Open,
            $near || $uncertainty === null => Verdict::Close,
            default => Verdict::Good,
        };
        $stretch = SealStretch::longest(
            array_map(fn (SealReading $r) => 30 * fmod($r->hour, 12), $readings),
            array_map($isBad, $readings),
        );

        return [
            'bad_hours' => $bad,
            'deep_hours' => $deep,
            'shallow_hours' => $shallow,
            'stretch_from' => $stretch === null ? null : Clock::text($stretch->from),
            'stretch_to' => $stretch === null ? null : Clock::text($stretch->to()),
            'stretch_deg' => $stretch?->degrees,
            'stretch_m' => $stretch === null || $od === null ? null : (M_PI * $od * $stretch->degrees) / 360,
            'min_depth_m' => min($depths),
            'max_depth_m' => max($depths),
            'deepest_mm' => Si::mm(max($depths)),
            'limit_used_mm' => Si::mm($most),
            'empty_arc_deg' => $spread->emptyArc,
            'failed' => $bad === [] ? [] : ['reassemble'],
            'pass' => $pass,
            'verdict' => $verdict->value,
            'reasons' => array_keys(array_filter([
                'bunched' => $bunched,
                'no-uncertainty' => $pass === true && $uncertainty === null,
                'near-limit' => $pass === true && $near,
            ])),
        ];
    }

    /**
     * @param  list<SealReading>  $readings
     * @param  \Closure(SealReading): bool  $is
     * @return list<float> 12 for the top
     */
    private function hours(array $readings, \Closure $is): array
    {
        return array_map(
            fn (SealReading $r) => fmod($r->hour, 12) < 1e-9 ? 12.0 : fmod($r->hour, 12),
            array_values(array_filter($readings, $is)),
        );
    }
}
