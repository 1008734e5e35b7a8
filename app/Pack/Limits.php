<?php

namespace App\Pack;

use App\Support\Say;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Units\UnitSystem;

/** What a procedure holds the work against, as it stands on paper. */
final class Limits
{
    /** @return list<array{string, string, string, string}> label, value, source, certainty */
    public static function of(Procedure $procedure, UnitSystem $units): array
    {
        return array_values(array_map(
            fn (Parameter $p) => [$p->label, self::shown($p, $units), $p->source, Say::text("pack.certainty.{$p->certainty}")],
            $procedure->parameters,
        ));
    }

    public static function shown(Parameter $parameter, UnitSystem $units): string
    {
        return $parameter->cited($units)['shown'] ?? (\is_scalar($parameter->value) ? (string) $parameter->value : '');
    }
}
