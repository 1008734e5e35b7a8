<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** An entry that another one has taken the place of, and how its step stood when it did: who signs sees it. */
final readonly class Replaced
{
    /**
     * @param  string  $successor  id of the fact that supersedes it; the reason stands there
     * @param  Reason|null  $worst  what was said of it
     */
    private function __construct(
        public Fact $fact,
        public string $successor,
        public string $title,
        public Verdict $verdict,
        public ?Reason $worst,
    ) {
    }

    /**
     * @param  list<Fact>  $facts  in the order in which they were stored
     * @param  array<string, mixed>  $line
     * @return list<self> in the order in which they were replaced
     */
    public static function among(Procedure $procedure, array $facts, array $line, Registry $registry): array
    {
        $replaced = [];
        $ids = array_map(fn (Fact $fact) => $fact->id, $facts);
        foreach ($facts as $i => $successor) {
            $earlier = array_search($successor->supersedes, $ids, true);
            if ($successor->supersedes === null || ! \is_int($earlier) || $earlier >= $i) {
                continue;
            }
            // By what was known up to then: what came after it excuses nothing.
            $then = Judge::judge($procedure, \array_slice($facts, 0, $i), $line, $successor->at, $registry);
            $state = $then->steps[$successor->step] ?? null;
            $replaced[] = new self(
                $facts[$earlier],
                $successor->id,
                $state->title ?? $successor->step,
                $state->verdict ?? Verdict::Open,
                $state?->reasons[0] ?? null,
            );
        }

        return $replaced;
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return [
            'fact_id' => $this->fact->id,
            'replaced_by' => $this->successor,
            'step' => $this->fact->step,
            'title' => $this->title,
            'verdict' => $this->verdict->value,
            'text' => $this->worst?->text->in($units, $zone),
        ];
    }
}
