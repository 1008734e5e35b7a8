<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Refused;

/** Why a calculation of a step gave no result, and what to do about it. */
final readonly class Uncomputed
{
    private function __construct(public string $why, public string $do, public bool $entered)
    {
    }

    public static function missing(string $why): self
    {
        return new self($why, 'Record what is missing.', false);
    }

    /** @param  array<string, mixed>  $in  inputs as the procedure binds them */
    public static function refused(Refused $refused, array $in): self
    {
        foreach ($in as $key => $from) {
            // Refusals of some families name the input without its unit.
            $named = $key === $refused->firstField() || str_starts_with($key, $refused->firstField().'_');
            if ($named && is_string($from) && preg_match('/^\$(line|param)\b/', $from) === 1) {
                return new self($refused->getMessage(), 'It comes from the plan, not from what was entered: an engineer puts it right.', false);
            }
        }

        return new self($refused->getMessage(), 'Look again, and enter it as it is.', true);
    }
}
