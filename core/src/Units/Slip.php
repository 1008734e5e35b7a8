<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

/** A way in which a figure goes wrong, and what leads back: meant = offset + factor × typed, in the unit in which it is asked for. */
final readonly class Slip
{
    /** Units that are typed on site, by quantity. */
    private const TYPED = [
        'length' => ['mm', 'cm', 'in', 'm', 'ft'],
        'pressure' => ['bar', 'kpa', 'psi', 'mpa', 'mbar'],
        'temperature' => ['c', 'f'],
        'time' => ['s', 'min', 'h'],
        'torque' => ['nm', 'ftlb', 'inlb'],
        'volume' => ['l', 'ml', 'm3', 'gal'],
        'mass' => ['kg', 'g', 'lb'],
    ];

    /**
     * @param  'round'|'unit'|'point'  $why  the tape was read round the pipe; typed in another unit; the point stands elsewhere
     * @param  string|null  $unit  its symbol
     */
    public function __construct(public string $why, public float $factor, public float $offset = 0.0, public ?string $unit = null)
    {
    }

    /** @return list<self> of a figure in this unit, the likelier first; of a plain number those of its point */
    public static function of(?Unit $own): array
    {
        $points = array_map(fn (float $factor) => new self('point', $factor), [0.1, 10.0, 0.01, 100.0]);

        return $own === null ? $points : [...self::ofUnit($own), ...$points];
    }

    /** @return list<self> */
    private static function ofUnit(Unit $own): array
    {
        $slips = $own->quantity === Quantity::Length ? [new self('round', 1 / M_PI)] : [];
        foreach (self::TYPED[$own->quantity->value] ?? [] as $suffix) {
            $other = Unit::of($own->quantity, $suffix);
            if ($other->symbol !== $own->symbol) {
                $factor = $other->factor / $own->factor;
                $slips[] = new self('unit', $factor, ($other->offset - $own->offset) / $own->factor, $other->symbol);
            }
        }

        return $slips;
    }

    /** @return array{factor: float, offset: float, why: string, unit: string|null} */
    public function toArray(): array
    {
        return ['factor' => $this->factor, 'offset' => $this->offset, 'why' => $this->why, 'unit' => $this->unit];
    }
}
