<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * May the pipe be cut here? Only the spigot of the maker is sure to fit the socket: the barrel is taped where the cut will be,
 * before it is cut, and must lie within the spigot's tolerance.
 */
#[Calculates(
    'cut-od',
    'Does the pipe fit the socket where it is to be cut?',
    Family::Gasketed,
    ['od_m', 'off_m', 'least_m', 'most_m', 'verdict', 'uncertain', 'reasons'],
    'Geometry; the tolerance is that of the pipe standard for spigots',
    codes: ['reasons' => ['*']],
)]
final class CutOd
{
    /** @return array<string, mixed> `off_m`: measured less nominal */
    public function __invoke(
        #[Measure('nominal_od_m', Quantity::Length, above: 0, max: 5)] float $nominal,
        #[Measure('circumference_m', Quantity::Length, above: 0, max: 16)] ?float $circumference = null,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5, about: 'or this, off a tape that is graduated in diameters')]
        ?float $od = null,
        #[Measure('over_m', Quantity::Length, min: 0)] ?float $over = null,
        #[Measure('under_m', Quantity::Length, min: 0)] ?float $under = null,
        #[Measure('u_m', Quantity::Length, min: 0, about: 'uncertainty of the diameter, k = 2')] ?float $u = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        if (($circumference === null) === ($od === null)) {
            throw Refused::field('circumference_m|od_m', 'circumference_m, od_m: give the one that was read, and no other.');
        }
        $measured = $od ?? (float) $circumference / M_PI;
        $least = $under === null ? null : $nominal - $under;
        $most = $over === null ? null : $nominal + $over;
        $guard = Guard::judge($measured, $least, $most, $u, $rule);
        // Held against one side only it may be bad, and never good: the other side is not known.
        $oneSided = ($least === null) !== ($most === null);

        return [
            'od_m' => $measured,
            'off_m' => $measured - $nominal,
            'least_m' => $least,
            'most_m' => $most,
            ...($oneSided ? $guard->notGood('one side only') : $guard)->toArray(),
        ];
    }
}
