<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Compare;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * The largest gap allowed: as given, or, where label and maker's sheet were read and are silent, by a table by size.
 *
 * The table is from memory: it may say bad, and good only when an engineer has taken it over.
 */
final readonly class GapLimit
{
    /** @param  'given'|'memory-table'|null  $from */
    private function __construct(public ?float $metres, public ?string $from, private bool $proves)
    {
    }

    /**
     * @param  float|null  $given  m
     * @param  float|null  $dn  nominal diameter, m; needed when the label is silent
     * @param  bool  $confirmed  an engineer has taken over the table
     *
     * @throws Refused naming dn_mm
     */
    public static function of(?float $given, bool $silent, ?float $dn, bool $confirmed): self
    {
        if ($given !== null || ! $silent) {
            return new self($given, $given === null ? null : 'given', $given !== null);
        }
        if ($dn === null) {
            throw Refused::field('dn_mm', 'dn_mm is missing: with a silent label the gap limit goes by size.');
        }
        /** @var list<array{dn_up_to_mm?: float, dn_below_mm?: float, gap_mm: float}> $rows */
        $rows = Data::json('electrofusion/gap-limits.json')['rows'];
        foreach ($rows as $row) {
            $fits = match (true) {
                isset($row['dn_up_to_mm']) => Compare::atMost(Si::mm($dn), $row['dn_up_to_mm']),
                isset($row['dn_below_mm']) => Compare::atMost(Si::mm($dn), $row['dn_below_mm'], true),
                default => true,
            };
            if ($fits) {
                return new self($row['gap_mm'] / 1000, 'memory-table', $confirmed);
            }
        }
        throw new \LogicException('The table of gap limits has no last row');
    }

    /** @param  float  $gap  the largest, m */
    public function judge(float $gap, bool $strict = false): Verdict
    {
        return match (true) {
            $this->metres === null => Verdict::Open,
            ! Compare::atMost($gap, $this->metres, $strict) => Verdict::Bad,
            default => $this->proves ? Verdict::Good : Verdict::Open,
        };
    }

    /** @return array{limit_used_mm: float|null, limit_from: string|null} */
    public function toArray(): array
    {
        return ['limit_used_mm' => $this->metres === null ? null : Si::mm($this->metres), 'limit_from' => $this->from];
    }
}
