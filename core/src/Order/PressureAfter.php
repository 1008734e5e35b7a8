<?php

declare(strict_types=1);

namespace Diastoma\Core\Order;

use Diastoma\Core\Refused;

/** Which parts stand under pressure once a step is done. */
final class PressureAfter
{
    /**
     * @return array<string, list<string>>
     *
     * @throws Refused
     */
    public static function read(mixed $given): array
    {
        if ($given === null) {
            return [];
        }
        if (! \is_array($given)) {
            throw Refused::field('pressure_after', 'pressure_after must name the parts under pressure by step.');
        }
        foreach ($given as $parts) {
            if (! \is_array($parts) || array_filter($parts, fn (mixed $p) => ! \is_string($p)) !== []) {
                throw Refused::field('pressure_after', 'pressure_after must hold lists of names of parts only.');
            }
        }

        /** @var array<string, list<string>> $given */
        return array_map(array_values(...), $given);
    }
}
