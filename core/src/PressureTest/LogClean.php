<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * A logger's file to a clean series: what was dropped or moved is counted, nothing is bridged or invented. What lies
 * apart for longer than a spike is an excursion: it stays, is named, and counts in every judgement of a hold.
 */
#[Calculates(
    'log-clean',
    'What does the logger\'s file really hold?',
    Family::PressureTest,
    [
        'samples',
        'missing',
        'duplicates',
        'spikes',
        'excursions',
        'gaps',
        'clock_jumps',
        'kept',
        'interval_s',
        'first_kpa',
        'last_kpa',
        'span_s',
        'warnings',
    ],
    'Common practice; median and MAD filter',
)]
final class LogClean
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Text('csv', 24_000_000)] string $csv,
        #[Measure('resolution_kpa', Quantity::Pressure, min: 0)] float $resolution = 1000.0,
        #[Choice('date_order', ['DMY', 'MDY'])] ?string $dateOrder = null,
        #[Measure('full_scale_kpa', Quantity::Pressure, above: 0)] ?float $fullScale = null,
        #[Measure('spike_max_s', Quantity::Time, min: 0, about: 'what lies apart for longer is a real fall or rise')]
        float $spikeMost = CleanLog::SPIKE_MOST_S,
    ): array {
        $order = $dateOrder === 'DMY' || $dateOrder === 'MDY' ? $dateOrder : null;

        return CleanLog::of(
            LoggerCsv::read($csv, $order),
            Si::kpa($resolution),
            $fullScale === null ? null : Si::kpa($fullScale),
            $spikeMost,
        )->summary();
    }
}
