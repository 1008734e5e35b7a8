<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\RoundCoverage;
use Diastoma\Core\Round\Spread;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Is the joint within its angle, in far enough everywhere, and which way does it lean?
 *
 * Widest on the outside of the curve; the line turns towards the opposite hour. Without the uncertainty of a reading it
 * is close at best: three readings fit any plane exactly, and four may by luck. Bunched readings prove nothing good.
 */
#[Calculates(
    'joint-gap-fit',
    'Is the joint within its angle and in far enough all round?',
    Family::Gasketed,
    [
        'mean_gap_m',
        'angle_deg',
        'widest_hour',
        'turn_hour',
        'turn_right_deg',
        'turn_up_deg',
        'angle_u_deg',
        'max_gap_fit_m',
        'min_gap_fit_m',
        'widest_gap_mm',
        'rms_residual_m',
        'suspect_hour',
        'near_limit',
        'empty_arc_deg',
        'inflation',
        'failed',
        'pass',
        'not_judged',
        'verdict',
        'reasons',
        'widest',
        'turn',
        'straighten_m',
        'move_m',
        'does',
    ],
    'Geometry of a plane bell face; least squares, k = 1',
    codes: [
        'reasons' => ['bunched', 'no-uncertainty', 'near-limit'],
        'failed' => ['angle', 'max_gap', 'min_gap', 'readings'],
        'not_judged' => ['max_angle_deg', 'max_gap_m', 'min_gap_m'],
        'does' => ['move'],
    ],
)]
final class JointGapFit
{
    /**
     * @param  non-empty-list<GapReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', GapReading::class, 'hour', 'gap', atLeast: 3)] array $readings,
        #[Measure('lever_diameter_m', Quantity::Length, min: 0.03, max: 5, about: 'diameter of the circle on which the gaps were read')]
        float $lever,
        #[Choice('clock_view', ['up-chainage', 'down-chainage'])] string $view,
        #[Measure('reading_u_m', Quantity::Length, min: 0, about: 'standard uncertainty of one reading')] ?float $readingU = null,
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::PLANE_DEG,
        #[Number('max_inflation', min: 1)] float $maxInflation = Spread::MOST_INFLATION,
        #[Number('max_angle_deg', min: 0, max: 90)] ?float $maxAngle = null,
        #[Measure('max_gap_m', Quantity::Length, min: 0)] ?float $maxGap = null,
        #[Measure('min_gap_m', Quantity::Length, min: 0)] ?float $minGap = null,
        #[Measure('max_residual_m', Quantity::Length, min: 0)] ?float $maxResidual = null,
        #[Measure('pipe_length_m', Quantity::Length, above: 0, max: 30, about: 'of the pipe whose free end is moved')]
        ?float $length = null,
    ): array {
        $hours = array_map(fn (GapReading $r) => fmod($r->hour, 12), $readings);
        $this->mustGoRound($hours, $maxEmptyArc);
        $gaps = array_map(fn (GapReading $r) => $r->gap, $readings);
        $fit = HarmonicFit::of(array_map(fn ($h) => deg2rad(30 * $h), $hours), $gaps, [1])
            ?? throw Refused::field('readings', 'readings: three different hours spread round the joint are wanted.');

        $amplitude = $fit->amplitude(1);
        $phi = atan(2 * $amplitude / $lever);
        $angle = rad2deg($phi);
        $leaning = $amplitude >= 1e-9;
        $widest = $leaning ? Clock::hour($fit->direction(1)) : null;
        $turn = $leaning ? Clock::hour($fit->direction(1) + M_PI) : null;
        $u = $leaning ? $this->angleUncertainty($fit, $lever, $readingU ?? 0.0) : null;
        $worst = $this->leaveOneOut($fit);
        $doubtful = $maxResidual !== null && $fit->n() >= 4 && $worst !== null && ! Compare::atMost($worst['size'], $maxResidual);

        $failed = array_keys(array_filter([
            'angle' => $maxAngle !== null && $angle > $maxAngle + 1e-9,
            'max_gap' => $maxGap !== null && ! Compare::atMost(max($fit->mean() + $amplitude, max($gaps)), $maxGap),
            'min_gap' => $minGap !== null && ! Compare::atLeast(min($fit->mean() - $amplitude, min($gaps)), $minGap),
            'readings' => $doubtful,
        ]));
        $judged = array_filter(['max_angle_deg' => $maxAngle, 'max_gap_m' => $maxGap, 'min_gap_m' => $minGap], fn ($l) => $l !== null);
        $spread = Spread::of(array_map(fn ($h) => 30 * $h, $hours));
        $allRound = $maxGap !== null || $minGap !== null;
        $bunched = $spread->isBunched($allRound ? min($maxEmptyArc, Spread::ALL_ROUND_DEG) : $maxEmptyArc, $maxInflation);
        $pass = $judged === [] || $doubtful ? null : $failed === [];
        $pass = $pass === true && $bunched ? null : $pass;
        $near = $maxAngle === null || $u === null ? null : abs($angle - $maxAngle) <= 2 * $u;
        // A gap is no better known than a reading of it.
        $room = min(
            $maxGap === null ? INF : $maxGap - max($fit->mean() + $amplitude, max($gaps)),
            $minGap === null ? INF : min($fit->mean() - $amplitude, min($gaps)) - $minGap,
        );
        // Equal gaps show no lean, and no uncertainty of one: it is as large as that of a lean either way.
        $levelU = rad2deg((2 / $lever) * ($readingU ?? 0.0) * ($spread->inflation ?? 1.0) * sqrt(2 / $fit->n()));
        $nearGap =
            $pass === true &&
            ($room < 2 * ($readingU ?? 0.0) - Compare::slack($readingU ?? 0.0) ||
                (! $leaning && $maxAngle !== null && $maxAngle < 2 * $levelU));
        $reasons = array_keys(
            array_filter([
                'bunched' => $bunched,
                'no-uncertainty' => $pass === true && $readingU === null,
                'near-limit' => $near === true || $nearGap,
            ]),
        );
        // As little as brings it to its limit; the free end swings as a chord does.
        $move = $length === null || $maxAngle === null ? null : $length * max(0.0, sin($phi) - sin(deg2rad($maxAngle)));
        $towards = $turn === null ? 0.0 : deg2rad(30 * $turn);

        return [
            'mean_gap_m' => $fit->mean(), 'angle_deg' => $angle, 'widest_hour' => $widest, 'turn_hour' => $turn,
            'turn_right_deg' => rad2deg(atan(tan($phi) * sin($towards))) * ($view === 'up-chainage' ? 1 : -1),
            'turn_up_deg' => rad2deg(atan(tan($phi) * cos($towards))),
            'angle_u_deg' => $u, 'max_gap_fit_m' => $fit->mean() + $amplitude, 'min_gap_fit_m' => $fit->mean() - $amplitude,
            'widest_gap_mm' => Si::mm(max($fit->mean() + $amplitude, ...$gaps)),
            'rms_residual_m' => sqrt($fit->ssr / $fit->n()),
            'suspect_hour' => $doubtful && $fit->n() >= 5 ? Clock::hour(deg2rad(30 * $hours[$worst['at']])) : null,
            'near_limit' => $near,
            'empty_arc_deg' => $spread->emptyArc,
            'inflation' => $spread->inflation,
            'failed' => $failed,
            'pass' => $pass,
            'not_judged' => array_values(array_diff(['max_angle_deg', 'max_gap_m', 'min_gap_m'], array_keys($judged))),
            'verdict' => match (true) {
                $pass === null => 'open',
                $pass === false => 'bad',
                default => $near === true || $nearGap || $readingU === null ? 'close' : 'good',
            },
            'reasons' => $reasons,
            'widest' => $widest === null ? null : Clock::text(30 * $widest), 'turn' => $turn === null ? null : Clock::text(30 * $turn),
            'straighten_m' => $length === null ? null : $length * sin($phi),
            'move_m' => $move,
            'does' => $move === null || $move <= 0 ? [] : ['move'],
        ];
    }

    /** @param  list<float>  $hours */
    private function mustGoRound(array $hours, float $maxEmptyArc): void
    {
        $sorted = $hours;
        sort($sorted);
        $distinct = 0;
        foreach ($sorted as $i => $hour) {
            $before = $i === 0 ? $sorted[\count($sorted) - 1] - 12 : $sorted[$i - 1];
            $distinct += $hour - $before >= 0.25 - 1e-9 ? 1 : 0;
        }
        if ($distinct < 3) {
            throw Refused::field('readings', "readings: {$distinct} different hours; at least 3, a quarter of an hour apart, are wanted.");
        }
        $arc = RoundCoverage::largestGap(array_map(fn ($h) => 30 * $h, $hours));
        if ($arc > $maxEmptyArc + 1e-9) {
            throw Refused::field(
                'readings',
                sprintf('readings: %g° of the round lie empty; allowed is %g°. Read on the other side too.', $arc, $maxEmptyArc),
            );
        }
    }

    /** One standard deviation of the angle, degrees; null when nothing is left to check the readings. */
    private function angleUncertainty(HarmonicFit $fit, float $lever, float $readingU): ?float
    {
        if ($fit->n() === 3 && $readingU <= 0) {
            return null;
        }
        $s = max($fit->s() ?? 0.0, $readingU);
        [$a, $b] = $fit->pair(1);
        [$aa, $ab, $bb] = $fit->block(1);
        $amplitude = $fit->amplitude(1);
        $u = $s * sqrt(max(0.0, ($a * $a * $aa + 2 * $a * $b * $ab + $b * $b * $bb) / $amplitude ** 2));

        return rad2deg($u * 2 / $lever / (1 + (2 * $amplitude / $lever) ** 2));
    }

    /** @return array{at: int, size: float}|null largest distance of a reading from the plane through the others */
    private function leaveOneOut(HarmonicFit $fit): ?array
    {
        $worst = null;
        foreach ($fit->residuals as $i => $residual) {
            $free = 1 - $fit->leverage($i);
            if ($free >= 1e-6 && ($worst === null || abs($residual / $free) > $worst['size'])) {
                $worst = ['at' => $i, 'size' => abs($residual / $free)];
            }
        }

        return $worst;
    }
}
