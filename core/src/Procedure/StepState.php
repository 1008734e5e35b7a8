<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Where one step stands. */
final readonly class StepState
{
    public bool $optional;

    /**
     * @param  'todo'|'running'|'done'  $status
     * @param  list<Reason>  $reasons
     * @param  list<Reason>  $guide
     * @param  array<string, array<string, mixed>>  $results
     */
    public function __construct(
        public Step $step,
        public string $status,
        public Verdict $verdict,
        public ?Fact $fact,
        public array $reasons,
        public array $guide,
        public ?Reason $summary,
        public array $results,
        public ?string $locked,
        private string $title,
    ) {
        $this->optional = $step->optional;
    }

    public function title(): string
    {
        return $this->title;
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return [
            'key' => $this->step->key(), 'id' => $this->step->id, 'side' => $this->step->side, 'kind' => $this->step->kind, 'title' => $this->title,
            'status' => $this->status, 'verdict' => $this->verdict->value, 'optional' => $this->optional, 'locked' => $this->locked,
            'summary' => $this->summary?->sentence($units, $zone),
            'guide' => array_map(fn (Reason $r) => $r->sentence($units, $zone), $this->guide),
            'reasons' => array_map(fn (Reason $r) => $r->toArray($units, $zone), $this->reasons),
            'results' => $this->results === [] ? new \stdClass : $this->results,
            'fact_id' => $this->fact?->id, 'by' => $this->fact?->by, 'at' => $this->fact?->at->format('Y-m-d\TH:i:sP'),
        ];
    }
}
