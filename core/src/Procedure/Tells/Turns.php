<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Gasketed\JointAngleLimit;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Refused;

/**
 * How far such a joint may turn: for who lays the line out. A parameter of the procedure, or a standard's rule for this size.
 *
 * @phpstan-type Turn array{limit_deg: float, source: string}
 */
final readonly class Turns
{
    public function __construct(private ?string $parameter, private ?Expression $rule, private ?Expression $nominal)
    {
    }

    /** @return Turn|null null: nobody says it of this pipe, the maker's sheet must */
    public function told(Known $known): ?array
    {
        if ($this->parameter !== null) {
            $parameter = $known->procedure->parameters[$this->parameter] ?? null;

            return \is_int($parameter?->value) || \is_float($parameter?->value)
                ? ['limit_deg' => (float) $parameter->value, 'source' => $parameter->source]
                : null;
        }
        $rule = $this->rule?->of($known);
        $nominal = $this->nominal?->of($known);
        if (! \is_string($rule) || ! \is_int($nominal) && ! \is_float($nominal)) {
            return null;
        }
        try {
            $limit = (new JointAngleLimit)($rule, (float) $nominal);
        } catch (Refused) {
            return null;
        }

        return ['limit_deg' => $limit['ruling_deg'], 'source' => $limit['ruling']];
    }
}
