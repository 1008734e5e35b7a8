<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** The least width of the trench at the pipe. What a curve or a shield needs comes on top. */
#[Calculates(
    'trench-width',
    'How wide must the trench be at the pipe?',
    Family::Gasketed,
    ['width_m', 'by_pipe_m', 'by_depth_m', 'source'],
    'The standard of each rule; see core/data/trench/widths.json',
)]
final class TrenchWidth
{
    /** From this angle down, degrees from the level, open walls give the room that the wider additions are for. */
    private const FLAT_DEG = 60.0;

    /** @return array{width_m: float, by_pipe_m: float, by_depth_m: float, source: string} `by_depth_m` 0: no rule by depth */
    public function __invoke(
        #[Choice('rule', ['en-1610', 'astm-d2321', 'clearance'])] string $rule,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Number('nominal_mm', above: 0, max: 5000)] ?float $nominal = null,
        #[Measure('depth_m', Quantity::Length, above: 0, max: 15)] ?float $depth = null,
        #[Flag('supported')] ?bool $supported = null,
        #[Number('batter_deg', above: 0, max: 90, about: 'of the wall, from the level')] ?float $batter = null,
        #[Measure('side_clearance_m', Quantity::Length, min: 0, max: 3)] ?float $clearance = null,
    ): array {
        return match ($rule) {
            'en-1610' => $this->bySizeAndDepth($od, $nominal, $depth, $this->isSteep($supported, $batter)),
            'astm-d2321' => $this->bySize($od),
            default => self::answer($od + 2 * self::wanted($clearance, 'side_clearance_m'), 0.0, 'the clearance given'),
        };
    }

    /** @return array{width_m: float, by_pipe_m: float, by_depth_m: float, source: string} */
    private function bySize(float $od): array
    {
        /** @var array{'astm-d2321': array{source: string, add_m: float, times: float, times_add_m: float}} $rules */
        $rules = Data::json('trench/widths.json')['rules'];
        $table = $rules['astm-d2321'];

        return self::answer(max($od + $table['add_m'], $table['times'] * $od + $table['times_add_m']), 0.0, $table['source']);
    }

    /** @return array{width_m: float, by_pipe_m: float, by_depth_m: float, source: string} */
    private function bySizeAndDepth(float $od, ?float $nominal, ?float $depth, bool $isSteep): array
    {
        $nominal = self::wanted($nominal, 'nominal_mm');
        $depth = self::wanted($depth, 'depth_m');
        /**
         * @var array{'en-1610': array{
         *     source: string, flat_add_m: float, by_size: list<array{to_mm?: float, add_m: float}>,
         *     by_depth: list<array{below_m?: float, to_m?: float, least_m: float}>
         * }} $rules
         */
        $rules = Data::json('trench/widths.json')['rules'];
        $table = $rules['en-1610'];
        $sizes = array_filter($table['by_size'], fn (array $row): bool => Compare::atMost($nominal, $row['to_mm'] ?? INF));
        $depths = array_filter($table['by_depth'], fn (array $row): bool => isset($row['below_m'])
            ? Compare::atMost($depth, $row['below_m'], strictly: true)
            : Compare::atMost($depth, $row['to_m'] ?? INF));
        [$size, $deep] = [reset($sizes), reset($depths)];

        $add = $isSteep && $size ? $size['add_m'] : $table['flat_add_m'];

        return self::answer($od + $add, $deep ? $deep['least_m'] : 0.0, $table['source']);
    }

    private function isSteep(?bool $supported, ?float $batter): bool
    {
        if ($supported === null) {
            throw Refused::field('supported', 'supported is missing: say whether the walls are supported, the rule rests on it.');
        }

        return $supported || ! Compare::atMost(self::wanted($batter, 'batter_deg'), self::FLAT_DEG);
    }

    private static function wanted(?float $value, string $key): float
    {
        return $value ?? throw Refused::field($key, "{$key} is missing: this rule needs it.");
    }

    /** @return array{width_m: float, by_pipe_m: float, by_depth_m: float, source: string} */
    private static function answer(float $byPipe, float $byDepth, string $source): array
    {
        return ['width_m' => max($byPipe, $byDepth), 'by_pipe_m' => $byPipe, 'by_depth_m' => $byDepth, 'source' => $source];
    }
}
