<?php

namespace App\Laying;

use App\Models\LayingPlan;
use App\Models\Line;
use App\Pack\Paper;
use App\Support\Say;
use Diastoma\Core\Laying\LayingWay;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/**
 * The sheet that goes into the trench: pipe by pipe its length and cut, chainage, level at both ends, the setting of the laser, and
 * how the joint before it is turned.
 *
 * @phpstan-import-type Row from LayingFiles
 * @phpstan-import-type Bend from LayingFiles
 */
final readonly class LayingSheet
{
    /** A joint that turns by less is laid straight, degrees. */
    private const STRAIGHT_DEG = 0.05;

    /** Levels and lengths are set to the millimetre. */
    private const DECIMALS = 3;

    public function __construct(private Paper $paper)
    {
    }

    public function __invoke(Line $line, LayingPlan $plan, UnitSystem $units): string
    {
        $words = new Words($units, new \DateTimeZone($line->project->time_zone));
        $rows = LayingFiles::rows($plan);
        $asked = $plan->asked;
        $numbers = PaintedNumbers::of($line);

        return $this->paper->print(view('pack.paper', [
            'title' => Say::text('pack.laying.title', ['line' => $line->name]),
            'left' => $line->name,
            'right' => Say::text('pack.laying.made', [
                'by' => $plan->user->name, 'at' => $words->moment($plan->made_at->toIso8601ZuluString()),
            ]),
            'practice' => $line->project->practice,
            'parts' => ['laying'],
            'about' => array_filter([
                Say::text('pack.laying.from', [
                    'from' => $words->figure('from_m', $plan->from_m), 'pipes' => LayingFiles::pipesIn($rows),
                    'cuts' => \count(array_filter($rows, fn (array $row) => $row['cut_from_m'] !== null)),
                ]),
                Say::text('pack.laying.angles', [
                    'most' => self::degrees(max([0.0, ...array_filter(array_column($rows, 'angle_deg'))])),
                    'limit' => self::degrees((float) $asked['max_joint_angle_deg']),
                    'share' => round(100 * (float) $asked['working_share']),
                ]),
                self::sockets($rows, $words),
                LayingFiles::pipesIn($rows) < \count($rows) ? Say::text('pack.laying.bends') : '',
            ]),
            'hasDepth' => array_filter(array_column($rows, 'depth_m'), fn (?float $depth): bool => $depth !== null) !== [],
            'rows' => array_map(fn (array $row): array => $this->row($row, $words, $units, $numbers), $rows),
        ])->render());
    }

    /**
     * @param  Row  $row
     * @return array<string, string>
     */
    private function row(array $row, Words $words, UnitSystem $units, PaintedNumbers $numbers): array
    {
        $isStraight = $row['angle_deg'] === null || $row['angle_deg'] < self::STRAIGHT_DEG || $row['turn_hour'] === null;

        $fine = fn (string $key, float $metres): string => Display::value($key, $metres, self::DECIMALS, $units);

        return [
            'pipe' => $numbers->at($row['from_m']),
            'length' => $row['bend'] === null ? $fine('length_m', $row['length_m']) : self::bend($row['bend']),
            'cut' => $row['cut_from_m'] === null
                ? ''
                : Say::text('pack.laying.cut', ['from' => $words->figure('length_m', $row['cut_from_m'])]),
            'from' => $fine('from_m', $row['from_m']),
            'low' => $fine('invert_m', $row['from']['invert_m']),
            'high' => $fine('invert_m', $row['to']['invert_m']),
            'depth' => $row['depth_m'] === null ? Say::text('pack.laying.notKnown') : $words->figure('depth_m', $row['depth_m']),
            'grade' => sprintf('%+.2f %%', 100 * $row['grade_ratio']),
            'turn' => $row['angle_deg'] === null ? '' : ($isStraight ? Say::text('pack.laying.straight') : Say::text('pack.laying.turn', [
                'angle' => self::degrees($row['angle_deg']), 'clock' => self::clock((float) $row['turn_hour']),
            ])),
            'gap' => $isStraight || $row['gap_difference_m'] === null ? '' : Say::text('pack.laying.gap', [
                'gap' => $words->figure('gap_mm', 1000 * $row['gap_difference_m']),
                'clock' => self::clock(fmod((float) $row['turn_hour'] + 6, 12)),
            ]),
        ];
    }

    /** @param  non-empty-list<Row>  $rows */
    private static function sockets(array $rows, Words $words): string
    {
        $rise = LayingWay::of($rows)->rise;

        return Say::text('pack.laying.sockets', [
            'way' => Say::text($rise < 0 ? 'pack.laying.falls' : 'pack.laying.rises'), 'by' => $words->figure('rise_m', abs($rise)),
        ]);
    }

    /** @param  Bend  $bend */
    private static function bend(array $bend): string
    {
        $given = ['bend' => (float) $bend['bend_deg'].'°', 'clock' => self::clock((float) $bend['turn_hour'])];

        return Say::text($bend['turn_hour'] === null ? 'pack.laying.bend' : 'pack.laying.bendTo', $given);
    }

    private static function degrees(float $angle): string
    {
        return number_format($angle, 2).'°';
    }

    /** "4:30", 12 at the top. */
    private static function clock(float $hour): string
    {
        $minutes = (int) (round($hour * 60 / 15) * 15) % 720;
        $hours = intdiv($minutes, 60);

        return sprintf('%d:%02d', $hours === 0 ? 12 : $hours, $minutes % 60);
    }
}
