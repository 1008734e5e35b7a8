<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** How long a bolt must be, and which of those in stock is the shortest that is long enough. */
#[Calculates(
    'bolt-length',
    'How long must the bolts be?',
    Family::Mechanical,
    ['need_m', 'stock_m', 'reasons', 'notes', 'verdict'],
    'Sum of what the bolt passes through; nut heights ISO 4032',
    verdicts: ['good', 'bad'],
    codes: ['reasons' => ['no-stock-length']],
)]
final class BoltLength
{
    /**
     * @param  list<float|int>  $stock  m
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('flange1_m', Quantity::Length, above: 0)] float $flange1,
        #[Measure('flange2_m', Quantity::Length, above: 0)] float $flange2,
        #[Measure('gasket_m', Quantity::Length, min: 0)] float $gasket,
        #[Number('washers', min: 0, max: 8, whole: true)] float $washers,
        #[Measure('washer_m', Quantity::Length, min: 0)] float $washer,
        #[Measure('nut_m', Quantity::Length, above: 0)] float $nut,
        #[Measure('protrusion_m', Quantity::Length, min: 0)] float $protrusion,
        #[Numbers('stock_lengths_m', whole: false)] array $stock,
    ): array {
        if ($stock === [] || min($stock) <= 0) {
            throw Refused::field('stock_lengths_m', 'stock_lengths_m must hold lengths of bolts, each more than 0 m.');
        }
        $need = $flange1 + $flange2 + $gasket + $washers * $washer + $nut + $protrusion;
        $long = array_filter($stock, fn (float|int $length) => Compare::atLeast((float) $length, $need));
        $found = new Findings;
        $long === [] && $found->bad('no-stock-length');

        return ['need_m' => $need, 'stock_m' => $long === [] ? null : (float) min($long)] + $found->toArray();
    }
}
