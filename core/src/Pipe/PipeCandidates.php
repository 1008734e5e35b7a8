<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Pipe\Family\PipeFamilies;
use Diastoma\Core\Pipe\Family\PipeRow;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Which pipes of the trade a measured diameter may be: to fetch the right gasket, coupling or adaptor. It never proves a material,
 * and may not tell two pipes apart.
 */
#[Calculates(
    'pipe-candidates',
    'What pipe is this?',
    Family::Measuring,
    ['decision', 'candidates', 'count_inside', 'nearest', 'text'],
    'Standards of each family; see core/data/pipe/families.json',
    codes: ['decision' => ['none', 'single', 'several']],
)]
final class PipeCandidates
{
    private const LEAST_WINDOW = 0.005;

    private const WINDOW_SHARE = 0.025;

    /** Nearer than this to each other, the order of the table decides. */
    private const TIE = 1e-6;

    /**
     * @param  list<string>|null  $families
     * @return array<string, mixed> `offset_mm` from the nominal diameter; `distance_mm` from the band, 0 = inside it
     */
    public function __invoke(
        #[Measure('od_mm', Quantity::Length, min: 15, max: 4000)] float $od,
        #[Measure('u_mm', Quantity::Length, min: 0, about: 'expanded')] float $u,
        #[Measure('window_mm', Quantity::Length, min: 0, about: 'how far off is still shown')] ?float $window = null,
        #[Measure('coating_mm', Quantity::Length, min: 0, about: 'thickness, taken off twice')] float $coating = 0.0,
        #[Choice('material', PipeFamilies::MATERIALS)] string $material = PipeFamilies::UNKNOWN,
        #[Numbers('families', texts: true)] ?array $families = null,
    ): array {
        $bare = $od - 2 * $coating;
        if ($bare <= 0) {
            throw Refused::field('coating_mm', 'coating_mm is thicker than the pipe.');
        }
        $window ??= max(self::LEAST_WINDOW, self::WINDOW_SHARE * $bare);
        $all = $this->rows($families, $material);
        usort($all, fn (PipeRow $a, PipeRow $b) => self::nearer($a, $b, $bare));
        $shown = array_map(fn (PipeRow $row) => self::shown($row, $bare, $u), $all);
        $kept = array_values(array_filter($shown, fn (array $row) => Compare::atMost(abs($row['distance_mm']) / 1000, $window)));
        $inside = array_values(array_filter($kept, fn (array $row) => $row['inside']));

        return [
            'decision' => match (\count($inside)) {
                0 => 'none', 1 => 'single', default => 'several',
            },
            'candidates' => $kept, 'count_inside' => \count($inside), 'nearest' => $shown[0] ?? null,
            'text' => self::said($inside, $shown[0] ?? null),
        ];
    }

    /**
     * @param  list<string>|null  $families
     * @return list<PipeRow>
     */
    private function rows(?array $families, string $material): array
    {
        foreach ($families ?? [] as $family) {
            \in_array($family, PipeFamilies::names(), true) || throw Refused::field(
                'families',
                "families holds \"{$family}\"; known are ".implode(', ', PipeFamilies::names()).'.',
            );
        }
        $asked = array_values(array_intersect(PipeFamilies::names(), $families ?? PipeFamilies::names(), PipeFamilies::of($material)));
        if ($asked === []) {
            throw Refused::field('families', "families holds none of which pipe of {$material} is made.");
        }
        // A steel pipe with two labels is one candidate, unless only the other label is asked for.
        $labels = ! \in_array('ips', $asked, true);

        return array_merge(...array_map(fn (string $family) => PipeFamilies::rows($family, $material, $labels), $asked));
    }

    private static function nearer(PipeRow $a, PipeRow $b, float $od): int
    {
        foreach ([abs($a->distance($od)) - abs($b->distance($od)), abs($od - $a->od) - abs($od - $b->od)] as $difference) {
            if (abs($difference) > self::TIE) {
                return $difference <=> 0.0;
            }
        }

        return 0;
    }

    /**
     * @return array{
     *     family: string, size: string, called: string, also: string|null, od_mm: float, offset_mm: float, distance_mm: float,
     *     inside: bool, source: string
     * }
     */
    private static function shown(PipeRow $row, float $od, float $u): array
    {
        $distance = $row->distance($od);

        return [
            'family' => $row->family, 'size' => $row->size, 'called' => $row->called, 'also' => $row->alsoCalled,
            'od_mm' => Si::mm($row->od), 'offset_mm' => Si::mm($od - $row->od), 'distance_mm' => Si::mm($distance),
            'inside' => Compare::atMost(abs($distance), $u), 'source' => $row->source,
        ];
    }

    /**
     * @param  list<array{called: string, ...}>  $inside
     * @param  array{called: string, ...}|null  $nearest
     */
    private static function said(array $inside, ?array $nearest): string
    {
        $names = array_map(fn (array $row) => $row['called'], $inside);
        $confirm = 'confirm by marking, magnet, colour, wall, records';

        return match (\count($names)) {
            0 => 'OD fits no pipe that is tabled'.($nearest === null ? '' : "; nearest is {$nearest['called']}").
                ": {$confirm}.",
            1 => "OD fits {$names[0]}; {$confirm}.",
            default => 'OD fits '.implode(', ', $names)."; this tape cannot tell them apart: {$confirm}.",
        };
    }
}
