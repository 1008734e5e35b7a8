<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Procedure\Step;

/** From where something is read: which step, which of its calculations, and what has happened by then. */
final readonly class Here
{
    /** All calculations of the step have run. */
    public const AFTER_RULES = PHP_INT_MAX;

    /**
     * @param  string|null  $step  id; null: outside the steps
     * @param  string|null  $rule  name of the calculation whose result is `{result.…}`
     * @param  int  $position  of the calculation among those of its step: only earlier ones are known
     * @param  bool  $asking  it decides whether the step is asked for: nothing of the step is known yet
     * @param  list<string>  $moment  first words of paths that the moment brings
     */
    public function __construct(
        public ?string $step = null,
        public ?string $side = null,
        public ?string $rule = null,
        public int $position = self::AFTER_RULES,
        public bool $asking = false,
        public array $moment = [],
    ) {
    }

    public function key(): ?string
    {
        return $this->step === null ? null : Step::keyOf($this->step, $this->side);
    }

    public function asking(): self
    {
        return new self($this->step, $this->side, asking: true);
    }

    public function at(string $rule, int $position): self
    {
        return new self($this->step, $this->side, $rule, $position);
    }

    public function saying(string ...$moment): self
    {
        return new self(
            $this->step,
            $this->side,
            $this->rule,
            $this->rule === null ? $this->position : $this->position + 1,
            moment: array_values($moment),
        );
    }
}
