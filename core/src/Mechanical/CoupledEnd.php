<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;

/** One pipe end inside a sleeve: its mark, and where that stands against the end of the sleeve. */
final readonly class CoupledEnd
{
    /**
     * @param  int  $number  1 or 2
     * @param  float  $mark  m from the pipe's end
     * @param  float|null  $face  m from the sleeve's end to the mark, minus = covered; null: not to be seen
     */
    private function __construct(private int $number, public float $mark, public ?float $face, private ?bool $covered)
    {
    }

    /**
     * @param  'nominal-centred'|'minimum'  $meaning
     *
     * @throws Refused
     */
    public static function of(int $number, float $mark, ?float $face, bool $isKnown, ?bool $covered, string $meaning): self
    {
        if (! $isKnown && $face !== null) {
            throw Refused::field("face{$number}_m", "face{$number}_m is given, and said not to be known: only one of both can be.");
        }
        if ($isKnown && $face === null && $meaning === 'nominal-centred') {
            throw Refused::field("face{$number}_m", "face{$number}_m is missing; where it cannot be read, say face{$number}_known: false.");
        }
        if ($face !== null && $mark - $face < -Compare::slack($mark, $face)) {
            throw Refused::field("face{$number}_m", "face{$number}_m is {$face} m, more than the mark's {$mark} m: the pipe is not in.");
        }

        return new self($number, $mark, $face, $covered);
    }

    /** m; null where the face cannot be read */
    public function insertion(): ?float
    {
        return $this->face === null ? null : $this->mark - $this->face;
    }

    public function centred(Findings $found, ?float $least): void
    {
        if ($this->face === null) {
            $found->open("mark{$this->number}-hidden");
        }
        $found->atLeast($this->insertion(), $least, 'min_insertion_m', "insertion{$this->number}-short");
    }

    /** The mark stands at the least insertion: the sleeve must have reached or covered it. */
    public function reached(Findings $found, ?float $least): void
    {
        $short = "insertion{$this->number}-short";
        $found->atLeast($this->mark, $least, 'min_insertion_m', $short);
        if ($this->face !== null) {
            Compare::atMost($this->face, 0.0) || $found->bad($short);
        } elseif ($this->covered === null) {
            $found->open("mark{$this->number}-hidden");
        } elseif (! $this->covered) {
            $found->bad($short);
        }
    }
}
