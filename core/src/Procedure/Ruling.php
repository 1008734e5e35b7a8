<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** How the result of a calculation becomes a verdict. */
final readonly class Ruling
{
    /**
     * @param  list<Verdict>  $counting  verdicts that count; none: it is computed only
     * @param  bool  $own  what the calculation itself says counts
     * @param  bool  $speaks  the calculation says something by itself
     * @param  list<Limit>  $limits
     */
    public function __construct(
        public array $counting,
        private bool $own,
        private bool $speaks,
        public array $limits,
        private ?Excuse $excuse,
    ) {
    }

    public function computesOnly(): bool
    {
        return $this->counting === [];
    }

    public function counts(Verdict $verdict): bool
    {
        return \in_array($verdict, $this->counting, true);
    }

    /** @param  array<string, mixed>  $result */
    public function verdict(array $result, Known $known): Verdict
    {
        $verdicts = array_map(fn (Limit $limit) => $limit->judge($result, $known), $this->limits);
        $own = $this->own && $this->speaks ? $this->said($result) : null;
        if ($own !== null) {
            $verdicts[] = $own;
        }
        // A calculation that is no judge and stands under no limit is a figure, not a fault.
        $verdict = $verdicts === [] && ! $this->speaks ? Verdict::Good : Verdict::worst(...$verdicts);

        return $verdict === Verdict::Bad && $this->excuse?->applies($result, $known) === true ? $this->excuse->as : $verdict;
    }

    /** Is something in it judged as it was read, whatever the measurement can tell? */
    public function isSimple(): bool
    {
        return array_filter($this->limits, fn (Limit $limit) => $limit->isSimple()) !== [];
    }

    /**
     * What a calculation says by itself. One that can judge and did not, because something that only its verdict needs was
     * missing, has said open; null where it left the judging to the limits beside it.
     *
     * @param  array<string, mixed>  $result
     */
    private function said(array $result): ?Verdict
    {
        $said = Verdict::tryFrom(\is_string($result['verdict'] ?? null) ? $result['verdict'] : '');
        $leftToLimits = \array_key_exists('verdict', $result) && $this->limits !== [];

        return $said ?? ($leftToLimits ? null : Verdict::Open);
    }
}
