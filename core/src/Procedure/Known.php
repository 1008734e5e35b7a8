<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Compile\LineNames;
use Diastoma\Core\Verdict;

/**
 * All that is known while a subject is judged: what was recorded, what was computed from it so far, what is planned.
 *
 * Steps are judged in their order, so what stands here only grows. What is not known is null; what is not asked for at all
 * is told apart by {@see isRuledOut()}.
 */
final class Known
{
    public const TIME = 'Y-m-d\TH:i:sP';

    public readonly string $now;

    /** @var array<string, array<string, mixed>> step key => the value that counts */
    public array $values = [];

    /** @var array<string, array<string, array<string, mixed>>> step key => name of the calculation => its result */
    public array $results = [];

    /** @var array<string, list<Verdict>> step id => how it was judged, one for each side */
    private array $verdicts = [];

    /** @var array<string, list<array{start: string, end: string, verdict: string}>> step key => each of its traces */
    private array $attempts = [];

    /** @var array<string, array<string, list<string>>> step key => name of the calculation => what it lacks, in words */
    private array $lacking = [];

    /** @var array<string, Uncomputed> step key => why its first calculation refused what it was given */
    private array $refusals = [];

    /** @var array<string, true> steps, and calculations as "step calculation", whose conditions say that they are not wanted here */
    private array $ruledOut = [];

    /** @var array<string, mixed> what is known of the line at this place */
    public readonly array $line;

    /** @param  array<string, mixed>  $line  what is known of the line at this place, also under names that it had formerly */
    public function __construct(
        public readonly Procedure $procedure,
        public readonly Facts $facts,
        array $line,
        public readonly \DateTimeImmutable $moment,
    ) {
        $this->line = LineNames::today($line);
        $this->now = $moment->format(self::TIME);
        $this->values = $facts->values();
    }

    public function at(string $step): ?string
    {
        return $this->facts->at($step)?->at->format(self::TIME);
    }

    /** Lets another trace of the step stand for it, to be judged by itself. */
    public function show(string $step, Fact $trace): void
    {
        $this->facts->show($step, $trace);
        $this->values[$step] = $trace->value;
    }

    /** @param  array<string, mixed>  $result */
    public function computed(string $step, string $calculation, array $result): void
    {
        $this->results[$step][$calculation] = $result;
        unset($this->ruledOut["{$step} {$calculation}"]);
    }

    public function uncomputed(string $step, string $calculation, Uncomputed $why): void
    {
        $this->computed($step, $calculation, []);
        $this->lacking[$step][$calculation] = $why->missing;
        if ($why->missing === []) {
            $this->refusals[$step] ??= $why;
        }
    }

    /** Why the first calculation of a step refused what it was given; null: none did. */
    public function refusal(string $step): ?Uncomputed
    {
        return $this->refusals[$step] ?? null;
    }

    /** @return list<string> what a calculation lacks, in words for a person */
    public function lacks(string $step, string $calculation): array
    {
        return $this->lacking[$step][$calculation] ?? [];
    }

    public function ruleOut(string $step, ?string $calculation = null): void
    {
        if ($calculation !== null) {
            unset($this->results[$step][$calculation]);
        }
        $this->ruledOut[$calculation === null ? $step : "{$step} {$calculation}"] = true;
    }

    /** Is it certain that this is not wanted here, and so will never be known? */
    public function isRuledOut(string $step, ?string $calculation = null): bool
    {
        return isset($this->ruledOut[$step]) || $calculation !== null && isset($this->ruledOut["{$step} {$calculation}"]);
    }

    public function judged(Step $step, Verdict $verdict): void
    {
        $this->verdicts[$step->id][] = $verdict;
    }

    public function wasJudged(string $id): bool
    {
        return isset($this->verdicts[$id]);
    }

    /** True when a step is good or close on all its sides, false when it is bad on one, null when it is not settled. */
    public function isGood(string $id): ?bool
    {
        return match (Verdict::worst(...($this->verdicts[$id] ?? [Verdict::Open]))) {
            Verdict::Good, Verdict::Close => true,
            Verdict::Bad => false,
            Verdict::Open => null,
        };
    }

    /**
     * One trace of a step and how it was judged by itself.
     *
     * @param  list<Reason>  $reasons
     */
    public function attempted(string $step, Fact $trace, array $reasons): void
    {
        $start = $trace->value['started_at'] ?? null;
        $end = $trace->value['ended_at'] ?? null;
        if (\is_string($start) && \is_string($end)) {
            $this->attempts[$step][] = ['start' => $start, 'end' => $end, 'verdict' => Reason::worst($reasons)->value];
        }
    }

    /** @return list<array{start: string, end: string, verdict: string}> */
    public function attempts(string $step): array
    {
        return $this->attempts[$step] ?? [];
    }

    /** How the side is called here: the number of its pipe, where that is known. */
    public function sideName(?string $side): string
    {
        $sides = \is_array($this->line['sides'] ?? null) ? $this->line['sides'] : [];
        $name = $side === null ? '' : ($sides[$side] ?? $side);

        return \is_string($name) ? $name : '';
    }

    public function timeZone(): ?\DateTimeZone
    {
        $zone = $this->line['time_zone'] ?? null;

        return \is_string($zone) ? new \DateTimeZone($zone) : null;
    }
}
