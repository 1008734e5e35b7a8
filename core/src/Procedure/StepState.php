<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Where one step stands. */
final readonly class StepState
{
    /**
     * @param  'todo'|'running'|'done'  $status
     * @param  list<Reason>  $reasons  the worst first
     * @param  list<Spoken>  $guide  what helps before it is recorded
     * @param  array<string, array<string, mixed>>  $results  by name of the calculation
     * @param  array<string, mixed>|null  $device  what its device must be told, by unit-named key
     * @param  array{calc: string, in: array<string, mixed>}|null  $model  of what happens inside it, with what is known of this joint
     * @param  Lock|null  $lock  why it cannot be done now
     * @param  string|null  $opensAt  the time before which it must not be done
     * @param  list<string>  $cautions
     * @param  array<string, mixed>|null  $figure  shape of a drawing and what it shows
     * @param  array<string, mixed>|null  $entry  what a page must know to take the fact
     * @param  array<string, mixed>  $suggested  field => what is known already and filled in
     * @param  array<string, mixed>  $usual  field => between what its figure usually lies, and how it goes wrong
     * @param  list<Parameter>  $limits  what it is going to be held against
     * @param  array<string, mixed>  $scanned  field => what a scanned code says of it
     * @param  array{calc: string, series: string, in: array<string, mixed>}|null  $live  what says what to do while its device records
     * @param  list<Finding>  $findings  what was found of it that judges nothing
     * @param  bool  $again  it was done, and may by permit be done once more
     */
    public function __construct(
        public Step $step,
        public string $title,
        public string $status,
        public Verdict $verdict,
        public ?Fact $fact,
        public array $reasons,
        public array $guide,
        public ?Spoken $summary,
        public array $results,
        public ?array $device,
        public ?array $model,
        public ?Lock $lock,
        public ?string $opensAt,
        public array $cautions,
        public ?array $figure,
        public bool $again,
        public ?array $entry = null,
        public array $suggested = [],
        public array $usual = [],
        public array $limits = [],
        public array $scanned = [],
        public array $findings = [],
        public ?array $live = null,
    ) {
    }

    /** Is it part of the record: what must be done, and what need not be and was? */
    public function counts(): bool
    {
        return ! $this->step->optional || $this->fact !== null;
    }

    /** Is it looked at before all that comes after it? */
    public function wantsAttention(): bool
    {
        $unusable = array_filter($this->reasons, fn (Reason $r) => $r->unusable) !== [];

        return $this->status !== 'done' && ! $this->step->optional || $this->again || $unusable
            || $this->status === 'done' && $this->verdict === Verdict::Bad && $this->step->retry;
    }

    /** @param  list<Reason>  $reasons  what is said now that later steps are known */
    public function saying(array $reasons): self
    {
        usort($reasons, fn (Reason $a, Reason $b) => $a->verdict->urgency() <=> $b->verdict->urgency());
        $worst = Reason::worst($reasons);
        $verdict = $this->status === 'done' ? $worst : Verdict::worst(Verdict::Open, $worst);

        return new self(
            step: $this->step,
            title: $this->title,
            status: $this->status,
            verdict: $verdict,
            fact: $this->fact,
            reasons: $reasons,
            guide: $this->guide,
            summary: $this->summary,
            results: $this->results,
            device: $this->device,
            model: $this->model,
            lock: $this->lock,
            opensAt: $this->opensAt,
            cautions: $this->cautions,
            figure: $this->figure,
            again: $this->again,
            entry: $this->entry,
            suggested: $this->suggested,
            usual: $this->usual,
            limits: $this->limits,
            scanned: $this->scanned,
            findings: $this->findings,
            live: $this->live,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return [
            'key' => $this->step->key,
            'id' => $this->step->id,
            'side' => $this->step->side,
            'kind' => $this->step->kind->name(),
            'stage' => $this->step->stage?->value,
            'title' => $this->title,
            'status' => $this->status,
            'verdict' => $this->verdict->value,
            'optional' => $this->step->optional,
            'locked' => $this->lock?->text,
            'lock' => $this->lock?->toArray(),
            'needs_good' => $this->step->order->needsGood,
            'summary' => $this->summary?->in($units, $zone),
            'guide' => array_map(fn (Spoken $s) => $s->in($units, $zone), $this->guide),
            'reasons' => array_map(fn (Reason $r) => $r->toArray($units, $zone), $this->reasons),
            'findings' => array_map(fn (Finding $f) => $f->toArray($units, $zone), $this->findings),
            'results' => $this->results === [] ? new \stdClass() : $this->results,
            'device' => $this->device,
            'model' => $this->model,
            'live' => $this->live,
            'cautions' => $this->cautions,
            'opens_at' => $this->opensAt,
            'figure' => $this->figure,
            'again' => $this->again,
            'entry' => $this->entry,
            'suggested' => $this->suggested === [] ? new \stdClass() : $this->suggested,
            'scanned' => $this->scanned === [] ? new \stdClass() : $this->scanned,
            'limits' => array_map(fn (Parameter $limit) => $limit->cited($units), $this->limits),
            'usual' => $this->usual === [] ? new \stdClass() : $this->usual,
            'fact_id' => $this->fact?->id,
            'by' => $this->fact?->by,
            'at' => $this->fact?->at->format(Known::TIME),
        ];
    }
}
