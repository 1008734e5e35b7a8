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
     * @param  array<string, mixed>|null  $device  what its device must be told, by unit-named key
     * @param  array<string, mixed>|null  $model  what is known of this joint for the model of what happens inside it
     * @param  string|null  $locked  why it cannot be done now
     * @param  string|null  $opensAt  the time before which it must not be done
     * @param  list<string>  $cautions
     * @param  array<string, mixed>|null  $figure  shape of a drawing and what it shows
     * @param  bool  $again  it was done, and may by permit be done once more
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
        public ?array $device,
        public ?array $model,
        public ?string $locked,
        public ?string $opensAt,
        public array $cautions,
        public ?array $figure,
        public bool $again,
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
            'results' => $this->results === [] ? new \stdClass : $this->results, 'device' => $this->device, 'model' => $this->model,
            'cautions' => $this->cautions, 'opens_at' => $this->opensAt, 'figure' => $this->figure, 'again' => $this->again,
            'fact_id' => $this->fact?->id, 'by' => $this->fact?->by, 'at' => $this->fact?->at->format('Y-m-d\TH:i:sP'),
        ];
    }
}
