<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * Pipes that came with a delivery: they are put into the list of the line, the rejected ones as such.
 *
 * @phpstan-type Came array{number: string, length_m: float|null, serial: string|null, rejected: string|null}
 * @phpstan-type Received array{pipes: list<Came>, from: string|null}
 */
final readonly class Receives
{
    public function __construct(private Expression $pipes, private ?Expression $from)
    {
    }

    /** @return Received */
    public function told(Known $known): array
    {
        $pipes = $this->pipes->of($known);
        $from = $this->from?->of($known);
        $told = [];
        foreach (\is_array($pipes) ? $pipes : [] as $pipe) {
            $number = \is_array($pipe) ? self::text($pipe['number'] ?? null) : null;
            if ($number !== null && \is_array($pipe)) {
                $length = $pipe['length_m'] ?? null;
                $told[] = [
                    'number' => $number, 'length_m' => \is_int($length) || \is_float($length) ? (float) $length : null,
                    'serial' => self::text($pipe['serial'] ?? null), 'rejected' => self::text($pipe['rejected'] ?? null),
                ];
            }
        }

        return ['pipes' => $told, 'from' => self::text($from)];
    }

    private static function text(mixed $value): ?string
    {
        return \is_string($value) && $value !== '' ? $value : null;
    }
}
