<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Kind\Hold;
use Diastoma\Core\Procedure\Tells\Told;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** The judgement of a joint, a section or a test: verdict, reasons, next step, and what it tells the rest. */
final readonly class Judgement
{
    public Verdict $verdict;

    public int $done;

    public int $total;

    /** @var array<string, string> name of a clock => UTC time */
    public array $clocks;

    /**
     * @param  array<string, StepState>  $steps
     * @param  \Closure(): list<Replaced>  $replaced  what was entered again; judged anew, and so only where it is asked for
     */
    public function __construct(
        public Procedure $procedure,
        public array $steps,
        public ?string $next,
        public Told $told,
        public \DateTimeImmutable $at,
        private \Closure $replaced,
    ) {
        $counting = array_filter($steps, fn (StepState $s) => $s->counts());
        $this->verdict = Verdict::worst(...array_map(fn (StepState $s) => $s->verdict, array_values($counting)));
        $this->done = \count(array_filter($counting, fn (StepState $s) => $s->status === 'done'));
        $this->total = \count($counting);
        $this->clocks = array_column($told->clocks, 'at', 'name');
    }

    /** @return list<Replaced> what was entered again, in that order */
    public function replaced(): array
    {
        return ($this->replaced)();
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
            && $s->counts() && ! \in_array($s->verdict, [Verdict::Good, Verdict::Close], true)));
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

    /** Who set the seal over it, by name; null while nobody has. */
    public function sealedBy(): ?string
    {
        foreach ($this->steps as $state) {
            if ($state->step->kind instanceof Hold && $state->step->kind->seals && Hold::isSigned($state->fact->value ?? [])) {
                return $state->fact?->by;
            }
        }

        return null;
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
            'replaced' => array_map(fn (Replaced $r) => $r->toArray($units, $zone), $this->replaced()),
            'clocks' => $this->told->clocks,
            'left_face' => $this->told->leftFace,
            'tag' => $this->told->tag($units, $zone),
            'procedure' => [
                'id' => $this->procedure->id,
                'version' => $this->procedure->version,
                'title' => $this->procedure->title,
                'hash' => $this->procedure->hash,
            ],
            'judged_at' => $this->at->format(Known::TIME),
        ];
    }
}
