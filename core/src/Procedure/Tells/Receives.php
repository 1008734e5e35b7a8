<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * What came with a delivery: pipes are put into the list of the line, the rejected ones as such; batches are offered at its joints.
 *
 * @phpstan-type Came array{number: string, length_m: float|null, serial: string|null, rejected: string|null}
 * @phpstan-type Batch array{what: string, batch: string}
 * @phpstan-type Received array{pipes: list<Came>, from: string|null, batches: list<Batch>}
 */
final readonly class Receives
{
    public function __construct(private Expression $pipes, private ?Expression $from, private ?Expression $batches = null)
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

        return ['pipes' => $told, 'from' => self::text($from), 'batches' => $this->batches($known)];
    }

    /** @return list<Batch> those that came and are what was ordered: what nobody looked at is not offered */
    private function batches(Known $known): array
    {
        $came = $this->batches?->of($known);
        $told = [];
        foreach (\is_array($came) ? $came : [] as $one) {
            $batch = \is_array($one) ? self::text($one['batch'] ?? null) : null;
            if ($batch !== null && \is_array($one) && ($one['right'] ?? null) === true && ($one['came'] ?? 0) > 0) {
                $told[] = ['what' => self::text($one['what'] ?? null) ?? '', 'batch' => $batch];
            }
        }

        return $told;
    }

    private static function text(mixed $value): ?string
    {
        return \is_string($value) && $value !== '' ? $value : null;
    }
}
