<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe\Family;

use Diastoma\Core\Compare;

/** One pipe of the trade: its diameter and, where a figure is known, the band in which it may lie. m. */
final readonly class PipeRow
{
    /**
     * @param  string  $called  in words for a person
     * @param  string|null  $alsoCalled  the same pipe under another label
     */
    public function __construct(
        public string $family,
        public string $size,
        public string $called,
        public float $od,
        private float $low,
        private float $high,
        public string $source,
        public ?string $alsoCalled,
    ) {
    }

    /** m; 0 inside the band, else to its nearer edge, minus = thinner */
    public function distance(float $od): float
    {
        return match (true) {
            Compare::atLeast($od, $this->low) && Compare::atMost($od, $this->high) => 0.0,
            $od < $this->low => $od - $this->low,
            default => $od - $this->high,
        };
    }
}
