<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * A line as it is laid out, part by part, with the bends between them; or why and where it cannot be done.
 *
 * @phpstan-import-type Laid from LaidOut
 */
final readonly class LaidRoute
{
    /**
     * @param  non-empty-list<LaidPart>  $parts
     * @param  list<SetBend>  $bends  after each part but the last
     * @param  bool  $isCounted  of some length there are only so many pipes
     */
    public function __construct(private array $parts, private array $bends, private Alignment $line, private bool $isCounted)
    {
    }

    public function isFeasible(): bool
    {
        return $this->failing() === null;
    }

    /** The whole of it: its pipes in order; where it cannot be done, what its first part that fails says. */
    public function outcome(): LayOutcome
    {
        $laid = [];
        foreach ($this->parts as $part) {
            $laid[] = $part->outcome;
            if (! $part->outcome->isFeasible()) {
                break;
            }
        }
        $last = $laid[\count($laid) - 1];
        $isProved = array_filter($laid, fn (LayOutcome $one): bool => ! $one->isProved) === [];

        return new LayOutcome(
            array_merge(...array_map(fn (LayOutcome $one): array => $one->pieces, $laid)),
            array_sum(array_map(fn (LayOutcome $one): int => $one->cuts, $laid)),
            max(array_map(fn (LayOutcome $one): float => $one->angle, $laid)),
            $isProved && ($this->bends === [] || ! $this->isCounted || $this->isFewestByLength()),
            $last->why,
            $last->failsAt,
            $last->failAngle,
        );
    }

    /** The piece that ends the line; null: a bend does, or nothing is laid. */
    public function last(): ?Piece
    {
        $pieces = $this->parts[\count($this->parts) - 1]->outcome->pieces;

        return $pieces[\count($pieces) - 1] ?? null;
    }

    public function bendCount(): int
    {
        return \count($this->bends);
    }

    /**
     * @param  float  $limit  largest angle of a joint, degrees
     * @param  float|null  $od  m, for what the gap differs across the joint
     * @return list<Laid> each pipe and bend with both its ends, and the joint at its beginning; as far as it goes
     */
    public function rows(float $limit, ?float $od): array
    {
        $rows = [];
        $pipes = 0;
        foreach ($this->parts as $i => $part) {
            $last = $part->rules->start;
            foreach ($part->rows($limit, $od) as $row) {
                $rows[] = ['pipe' => ++$pipes] + $row + ['bend' => null];
                $last = Direction::towards($row['azimuth_deg'], $row['grade_ratio']);
            }
            $bend = $this->bends[$i] ?? null;
            if ($bend === null || ! $part->outcome->isFeasible()) {
                break;
            }
            $rows[] = (new LaidBend($this->line, $bend))->row($last, $limit, $od);
        }

        return $rows;
    }

    private function isFewestByLength(): bool
    {
        return array_filter($this->parts, fn (LaidPart $part): bool => ! $part->isFewestByLength()) === [];
    }

    private function failing(): ?LayOutcome
    {
        foreach ($this->parts as $part) {
            if (! $part->outcome->isFeasible()) {
                return $part->outcome;
            }
        }

        return null;
    }
}
