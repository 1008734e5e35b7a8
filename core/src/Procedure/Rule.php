<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Refused;

/** A calculation of a step: what it is run with, what its result must meet, and what is said of it. */
final readonly class Rule
{
    /**
     * @param  string  $calculation  in the registry
     * @param  string  $name  in the step: that of the calculation, or another one where it is run twice
     * @param  Binding  $inputs  of the calculation
     * @param  Planned  $planned  inputs that no crew enters
     * @param  Condition|null  $when  it is run; null: always
     * @param  string|null  $curedBy  key of the later step in which what it finds bad is put right
     * @param  string|null  $fault  of an older frozen text: why nothing can be judged by it
     */
    public function __construct(
        public string $calculation,
        public string $name,
        public Binding $inputs,
        public Planned $planned,
        public ?Condition $when,
        public Ruling $ruling,
        public Telling $telling,
        public ?string $curedBy,
        public ?string $fault,
    ) {
    }

    /** @return array<string, mixed>|Uncomputed while it is not settled whether it is wanted, it waits */
    public function compute(Known $known, Registry $registry): array|Uncomputed
    {
        if ($this->when !== null && $this->when->holds($known) !== true) {
            return $this->waits($known, array_values(array_unique($this->when->missing($known))));
        }
        try {
            return $registry->run($this->calculation, $this->inputs->known($known));
        } catch (Refused $refused) {
            $missing = $this->inputs->missing($known);

            return $missing === [] ? Uncomputed::refused($refused, $this->planned) : $this->waits($known, $missing);
        }
    }

    /** @param  list<string>  $missing  in words for a person */
    private function waits(Known $known, array $missing): Uncomputed
    {
        return Uncomputed::missing($this->telling->waiting($known, $missing), $missing);
    }
}
