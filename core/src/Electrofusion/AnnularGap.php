<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** Gap to expect round the pipe inside the coupling: clearance, ovality and a pipe that sags to one side. */
#[Calculates(
    'annular-gap',
    'What gap will there be between coupling and pipe?',
    Family::Electrofusion,
    ['gap_mean_mm', 'gap_min_mm', 'gap_max_mm', 'min_at_deg', 'max_at_deg', 'interference', 'limit_used_mm', 'limit_from', 'verdict'],
    'Geometry, scanned at whole degrees; limit by size from memory (DVS 2207-1) where the label is silent',
    verdicts: ['good', 'bad', 'open'],
)]
final class AnnularGap
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('bore_mm', Quantity::Length, above: 0)] float $bore,
        #[Measure('od_mm', Quantity::Length, above: 0, about: 'after peeling')] float $od,
        #[Measure('ovality_mm', Quantity::Length, min: 0)] float $ovality = 0.0,
        #[Number('axis_deg', min: 0, max: 360)] float $axis = 0.0,
        #[Measure('ecc_mm', Quantity::Length, min: 0)] float $ecc = 0.0,
        #[Number('ecc_deg', min: 0, max: 360, about: 'direction the pipe is shifted; 180 = sags down')] float $eccTowards = 180.0,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limit = null,
        #[Flag('label_silent', about: 'label and maker\'s sheet were read and give no gap')] bool $silent = false,
        #[Measure('dn_mm', Quantity::Length, above: 0, about: 'wanted with a silent label')] ?float $dn = null,
        #[Flag('table_confirmed', about: 'an engineer has taken over the table by size')] bool $confirmed = false,
    ): array {
        $allowed = GapLimit::of($limit, $silent, $dn, $confirmed);
        $gaps = [];
        for ($deg = 0; $deg < 360; $deg++) {
            $gaps[] = $bore / 2 - $od / 2 - $ovality / 4 * cos(2 * deg2rad($deg - $axis)) - $ecc * cos(deg2rad($deg - $eccTowards));
        }
        [$min, $max] = [min($gaps), max($gaps)];
        $spread = $max - $min;
        $first = fn (float $wanted) => (int) array_key_first(array_filter($gaps, fn ($g) => abs($g - $wanted) <= 1e-12));
        $interference = $min < -1e-12;

        return [
            'gap_mean_mm' => Si::mm(array_sum($gaps) / 360), 'gap_min_mm' => Si::mm($min), 'gap_max_mm' => Si::mm($max),
            'min_at_deg' => $spread < 1e-5 ? null : $first($min), 'max_at_deg' => $spread < 1e-5 ? null : $first($max),
            'interference' => $interference,
            ...$allowed->toArray(),
            'verdict' => ($interference ? Verdict::Bad : $allowed->judge($max))->value,
        ];
    }
}
