<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** The laid line against its plan: places in any order, the plan by its profile. What the places say together is {@see LevelCheck}. */
#[Calculates(
    'as-laid',
    'Does the line lie as it was planned?',
    Family::Gasketed,
    ['places', 'errors_m', 'worst_level_error_m', 'worst_line_m', 'max_pond_m', 'fails', 'verdict'],
    'Geometry; tolerances of the procedure',
    codes: ['fails' => ['level:*', 'line:*', 'backfall:*', 'beyond:*', 'twice:*', 'no-offset:*']],
)]
final class AsLaid
{
    /**
     * @param  list<LevelledPlace>  $points
     * @param  non-empty-list<list<float>>  $profile  [chainage m, invert m]
     * @return array<string, mixed> fewer than two places: open
     */
    public function __invoke(
        #[Items('points', LevelledPlace::class, atLeast: 0, atMost: 5000)] array $points,
        #[Rows('profile', ['chainage_m', 'invert_m'], atLeast: 2)] array $profile,
        #[Measure('level_tol_mm', Quantity::Length, min: 0)] float $levelTolerance,
        #[Measure('line_tol_mm', Quantity::Length, min: 0)] ?float $lineTolerance = null,
        #[Measure('level_u_mm', Quantity::Length, min: 0, about: 'uncertainty of a level, k = 2')] ?float $uncertainty = null,
        #[Flag('pressure_main')] bool $isPressureMain = false,
    ): array {
        usort($points, fn (LevelledPlace $a, LevelledPlace $b): int => $a->at <=> $b->at);
        $line = new CentreLine(array_map(fn (array $row): array => [$row[0], 0.0, 0.0, $row[1]], $profile));
        $fails = $laid = [];
        foreach ($points as $i => $point) {
            if ($point->at < $profile[0][0] - 1e-6 || $point->at > $profile[\count($profile) - 1][0] + 1e-6) {
                $fails[] = 'beyond:'.self::at($point->at);
            } elseif ($i > 0 && $point->at <= $points[$i - 1]->at) {
                // Two readings of one place: which of them is so, nobody here knows.
                $fails[] = 'twice:'.self::at($point->at);
            } else {
                $laid[] = new LaidPoint($point->at, $line->levelAt($point->at), $point->level, $point->off);
            }
        }
        $errors = array_map(fn (LaidPoint $point): float => $point->error(), $laid);
        $worstLine = array_reduce(
            $laid,
            fn (float $most, LaidPoint $point): float => max($most, abs($point->offset ?? 0.0)),
            0.0,
        );
        $answer = [
            'places' => \count($laid), 'errors_m' => $errors, 'worst_level_error_m' => null, 'worst_line_m' => $worstLine,
            'max_pond_m' => null, 'fails' => $fails,
        ];
        if (\count($laid) < 2) {
            return $answer + ['verdict' => Verdict::Open->value];
        }
        // Where nobody read how far it lies off the line, that is not judged, and what is not judged is not good.
        $unread = $lineTolerance === null ? [] : array_filter($laid, fn (LaidPoint $point): bool => $point->offset === null);
        $hasLine = $lineTolerance !== null && $unread === [];
        $fails = [...$fails, ...array_map(fn (LaidPoint $point): string => 'no-offset:'.self::at($point->chainage), array_values($unread))];
        $checked = (new LevelCheck)($laid, $levelTolerance, $hasLine ? $lineTolerance : null, null, $isPressureMain, $uncertainty);
        $verdict = Verdict::from($checked['verdict']);
        if ($fails !== []) {
            $verdict = Verdict::worst($verdict, Verdict::Open);
        }

        return [
            'worst_level_error_m' => $checked['worst_level_error_m'],
            'max_pond_m' => $checked['max_pond_m'],
            'fails' => [...$fails, ...$this->named($laid, $levelTolerance, $hasLine ? $lineTolerance : null, $isPressureMain)],
        ] + $answer + ['verdict' => $verdict->value];
    }

    /**
     * What fails, and where.
     *
     * @param  non-empty-list<LaidPoint>  $laid
     * @return list<string>
     */
    private function named(array $laid, float $levelTolerance, ?float $lineTolerance, bool $isPressureMain): array
    {
        $named = [];
        foreach ($laid as $i => $point) {
            $before = $laid[$i - 1] ?? null;
            if (! Compare::atMost(abs($point->error()), $levelTolerance)) {
                $named[] = 'level:'.self::at($point->chainage);
            }
            if ($lineTolerance !== null && ! Compare::atMost(abs((float) $point->offset), $lineTolerance)) {
                $named[] = 'line:'.self::at($point->chainage);
            }
            if ($before !== null && ! $isPressureMain && ! Compare::atLeast($point->measured, $before->measured)) {
                $named[] = 'backfall:'.self::at($before->chainage).' to '.self::at($point->chainage);
            }
        }

        return $named;
    }

    private static function at(float $chainage): string
    {
        return rtrim(rtrim(number_format($chainage, 2, '.', ''), '0'), '.').' m';
    }
}
