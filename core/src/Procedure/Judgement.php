<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** The judgement of a joint, a section or a test: verdict, reasons, next step, clocks. */
final readonly class Judgement
{
    public Verdict $verdict;

    public int $done;

    public int $total;

    /**
     * @param  array<string, StepState>  $steps
     * @param  array<string, string>  $clocks  name => UTC time
     */
    public function __construct(
        public Procedure $procedure,
        public array $steps,
        public ?string $next,
        public array $clocks,
        public \DateTimeImmutable $at,
    ) {
        $counting = array_filter($steps, fn (StepState $s) => $s->counts());
        $this->verdict = Verdict::worst(...array_map(fn (StepState $s) => $s->verdict, array_values($counting)));
        $this->done = count(array_filter($counting, fn (StepState $s) => $s->status === 'done'));
        $this->total = count($counting);
    }

    /** Are all steps but the signatures done, none of them bad or open? */
    public function readyForSignature(): bool
    {
        return $this->holdingUp() === [];
    }

    /**
     * Steps that keep it from being signed: what must be recorded and is not good, and what need not be recorded but was,
     * and is not good.
     *
     * @return list<StepState>
     */
    public function holdingUp(): array
    {
        return array_values(array_filter($this->steps, fn (StepState $s) => ! $s->step->isA('hold')
            && $s->counts() && ! in_array($s->verdict, [Verdict::Good, Verdict::Close], true)));
    }

    /**
     * The worst reasons first, those of the last steps before earlier ones.
     *
     * @return list<array{step: string, reason: Reason}>
     */
    public function headline(): array
    {
        $all = [];
        foreach (array_reverse($this->steps) as $key => $state) {
            foreach ($state->reasons as $reason) {
                $all[] = ['step' => $key, 'reason' => $reason];
            }
        }
        usort($all, fn ($a, $b) => $a['reason']->verdict->urgency() <=> $b['reason']->verdict->urgency());

        return $all;
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units = UnitSystem::Metric, ?\DateTimeZone $zone = null): array
    {
        $bad = array_values(array_filter($this->headline(), fn ($h) => $h['reason']->verdict !== Verdict::Good));

        return [
            'verdict' => $this->verdict->value, 'done' => $this->done, 'total' => $this->total, 'next' => $this->next,
            'ready_for_signature' => $this->readyForSignature(),
            'steps' => array_map(fn (StepState $s) => $s->toArray($units, $zone), array_values($this->steps)),
            'reasons' => array_map(fn ($h) => ['step' => $h['step']] + $h['reason']->toArray($units, $zone), $bad),
            'clocks' => $this->clocks === [] ? new \stdClass : $this->clocks,
            'procedure' => ['id' => $this->procedure->id, 'version' => $this->procedure->version, 'title' => $this->procedure->title, 'hash' => $this->procedure->hash],
            'judged_at' => $this->at->format(Known::TIME),
        ];
    }
}
