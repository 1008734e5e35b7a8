<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** Another step that a step waits for. */
final readonly class Wait
{
    /**
     * @param  string  $step  its key
     * @param  Lock::NEEDS_GOOD|Lock::AFTER  $code
     */
    public function __construct(public string $step, public string $code, public string $text)
    {
    }

    public static function forGood(StepState $other): self
    {
        return new self($other->step->key, Lock::NEEDS_GOOD, "\"{$other->title}\" must be good first.");
    }

    /** @return array{step: string, code: string, text: string} */
    public function toArray(): array
    {
        return ['step' => $this->step, 'code' => $this->code, 'text' => $this->text];
    }

    public static function forRecord(StepState $other): self
    {
        return new self($other->step->key, Lock::AFTER, "\"{$other->title}\" comes first.");
    }
}
