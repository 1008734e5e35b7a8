<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * How much the soil beside the pipe holds, by what it is and how it is compacted; in a narrow trench the ground beside the trench
 * shares in it.
 */
#[Calculates(
    'soil-modulus',
    'How much does the soil beside the pipe hold?',
    Family::Gasketed,
    ['e_embed_pa', 'zeta', 'delta_f', 'e_design_pa', 'source'],
    'Table by Howard, common practice; narrow trench: AS/NZS 2566.1, Leonhardt',
)]
final class SoilModulus
{
    private const GROUPS = ['crushed', 'coarse-clean', 'coarse-fines', 'fine-lean', 'fine-fat'];

    /** Leonhardt's constants, as AS/NZS 2566.1 has them. */
    private const MOST = 1.44;

    private const A = 1.154;

    private const B = 0.444;

    /**
     * @return array{e_embed_pa: float, zeta: float|null, delta_f: float|null, e_design_pa: float|null, source: string} null: the
     * ground beside the trench is not given
     */
    public function __invoke(
        #[Choice('soil_group', self::GROUPS)] string $group,
        #[Choice('compaction', ['dumped', 'slight', 'moderate', 'high'], about: 'below 85 % standard Proctor, to 95 %, above')]
        string $compaction,
        #[Measure('e_native_pa', Quantity::Pressure, above: 0, about: 'of the ground beside the trench')] ?float $native = null,
        #[Measure('trench_width_m', Quantity::Length, above: 0, max: 30, about: 'at the middle of the pipe')] ?float $width = null,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] ?float $od = null,
    ): array {
        /** @var array{source: string, psi: array<string, array<string, float>>} $table */
        $table = Data::json('trench/soil-modulus.json');
        $psi = $table['psi'][$group][$compaction] ?? throw Refused::field(
            'soil_group',
            "soil_group {$group} has no value in the table: such soil is not used beside a pipe without an engineer.",
        );
        $embedment = $psi * Unit::PSI;
        $zeta = $f = null;
        $given = array_filter(['e_native_pa' => $native, 'trench_width_m' => $width, 'od_m' => $od], fn ($v): bool => $v !== null);
        if ($given !== []) {
            foreach (['e_native_pa', 'trench_width_m', 'od_m'] as $key) {
                if (! isset($given[$key])) {
                    throw Refused::field($key, "{$key} is missing: the ground beside shares by its stiffness, the width and the pipe.");
                }
            }
            [$f, $zeta] = $this->shared($embedment, (float) $native, (float) $width, (float) $od);
        }

        return [
            'e_embed_pa' => $embedment,
            'zeta' => $zeta,
            'delta_f' => $f,
            'e_design_pa' => $zeta === null ? null : $zeta * $embedment,
            'source' => $table['source'],
        ];
    }

    /** @return array{float, float} */
    private function shared(float $embedment, float $native, float $width, float $od): array
    {
        if (! Compare::atLeast($width, $od)) {
            throw Refused::field('trench_width_m', "trench_width_m is {$width} m: a pipe of {$od} m does not go in.");
        }
        $beside = max(0.0, $width / $od - 1);
        $f = min(self::MOST, $beside / (self::A + self::B * $beside));

        return [$f, self::MOST / ($f + (self::MOST - $f) * $embedment / $native)];
    }
}
