<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Spread;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Does the insertion mark stand at the face of the coupling all round? Read from the face to the mark: positive while
 * the mark is still outside (not home), negative when the coupling has swallowed it. Unequal readings show a skew.
 */
#[Calculates(
    'mark-at-face',
    'Does the insertion mark stand at the face all round?',
    Family::Electrofusion,
    ['out_max_mm', 'out_min_mm', 'mean_mm', 'skew_mm', 'skew_towards', 'empty_arc_deg', 'fails', 'reasons', 'verdict'],
    'Common practice; limits from the procedure',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['not-home', 'too-deep', 'skewed'], 'reasons' => ['bunched']],
)]
final class MarkAtFace
{
    /**
     * @param  non-empty-list<FaceReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', FaceReading::class, 'clock_h', 'out', atLeast: 3)] array $readings,
        #[Measure('limit_mm', Quantity::Length, min: 0, about: 'how far the mark may be from the face')] ?float $limit = null,
        #[Measure('skew_limit_mm', Quantity::Length, min: 0, about: 'largest minus smallest')] ?float $skewLimit = null,
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::ALL_ROUND_DEG,
    ): array {
        $out = array_map(fn (FaceReading $r) => $r->out, $readings);
        $skew = max($out) - min($out);
        $fit = HarmonicFit::of(array_map(fn (FaceReading $r) => deg2rad(30 * $r->hour), $readings), $out, [1]);
        $fails = [];
        if ($limit !== null && ! Compare::atMost(max($out), $limit)) {
            $fails[] = 'not-home';
        }
        if ($limit !== null && ! Compare::atMost(-min($out), $limit)) {
            $fails[] = 'too-deep';
        }
        if ($skewLimit !== null && ! Compare::atMost($skew, $skewLimit)) {
            $fails[] = 'skewed';
        }

        $spread = Spread::of(array_map(fn (FaceReading $r) => 30 * $r->hour, $readings));
        $bunched = $spread->isBunched($maxEmptyArc);

        return [
            'out_max_mm' => Si::mm(max($out)),
            'out_min_mm' => Si::mm(min($out)),
            'mean_mm' => Si::mm(array_sum($out) / \count($out)),
            'skew_mm' => Si::mm($skew),
            'skew_towards' => $fit === null || $bunched || $fit->amplitude(1) < 1e-5 ? null : Clock::text(rad2deg($fit->direction(1))),
            'empty_arc_deg' => $spread->emptyArc, 'fails' => $fails, 'reasons' => $bunched ? ['bunched'] : [],
            'verdict' => ($fails !== [] ? Verdict::Bad : ($limit === null || $bunched ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
