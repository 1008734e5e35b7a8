<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * How long one act of such a joint takes, for who plans the day: as it was read off what is used, else as a start value by the size.
 *
 * @phpstan-type TakenTold array{min: float, source: string, certainty: string}
 */
final readonly class Taken
{
    private const SECONDS = 60.0;

    /**
     * @param  list<array{float, float}>  $bySize  outside diameter up to and including which, mm; minutes; rising
     * @param  Expression|null  $read  where it may be read
     * @param  bool  $readInSeconds  else in minutes
     * @param  string  $readOff  what it is read off: "the fitting's label"
     */
    public function __construct(
        private array $bySize,
        private string $source,
        private string $certainty,
        private ?Expression $read,
        private bool $readInSeconds,
        private string $readOff,
    ) {
    }

    /** @return TakenTold|null null: nothing is known of a pipe of this size */
    public function told(Known $known): ?array
    {
        $read = $this->read?->of($known);
        if (\is_int($read) || \is_float($read)) {
            $min = $this->readInSeconds ? $read / self::SECONDS : (float) $read;

            return ['min' => $min, 'source' => $this->readOff, 'certainty' => 'project'];
        }
        $od = $known->line['od_mm'] ?? null;
        foreach (\is_int($od) || \is_float($od) ? $this->bySize : [] as [$upTo, $min]) {
            if ($od <= $upTo) {
                return ['min' => $min, 'source' => $this->source, 'certainty' => $this->certainty];
            }
        }

        return null;
    }
}
