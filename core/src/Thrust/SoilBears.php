<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Refused;

/**
 * What undisturbed soil is usually taken to bear sideways, for planning; the table supposes at least 0.6 m of cover, and an engineer
 * confirms it at the place.
 */
#[Calculates(
    'soil-bears',
    'What is this soil taken to bear?',
    Family::Gasketed,
    ['bearing_kpa'],
    'Common practice in the US, pounds per square foot',
)]
final class SoilBears
{
    /** 1000 lbf/ft² in kPa. */
    private const KSF_KPA = 47.88025898;

    /** 1000 lbf/ft² */
    private const TABLE = [
        'soft-clay' => 1.0, 'silt' => 1.5, 'sandy-silt' => 3.0, 'sand' => 4.0, 'sandy-clay' => 6.0, 'hard-clay' => 9.0,
    ];

    /** @return array{bearing_kpa: float} */
    public function __invoke(
        #[Choice('soil', ['muck', 'soft-clay', 'silt', 'sandy-silt', 'sand', 'sandy-clay', 'hard-clay'])] string $soil,
    ): array {
        $bears = self::TABLE[$soil]
            ?? throw Refused::field('soil', 'soil "muck" bears nothing: joints are locked, or the block is founded.');

        return ['bearing_kpa' => $bears * self::KSF_KPA];
    }
}
