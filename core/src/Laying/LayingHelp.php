<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** Something that would help where a line cannot be laid out, and what it costs. */
final readonly class LayingHelp
{
    /**
     * @param  string  $kind  whole-limit, shorter-pipes, cuts-within, bend, wider-curve, more-pipes, shorter-closing
     * @param  bool|null  $isEnough  tried on the whole line; null: worked out only, the line itself would change
     * @param  array<string, float|int|null>  $figures  what to take, by name and unit
     * @param  int|null  $pieces  of the plan with it
     * @param  float|null  $angle  greatest of that plan, degrees
     */
    public function __construct(
        public string $kind,
        public ?bool $isEnough,
        public array $figures,
        public ?int $pieces = null,
        public ?int $cuts = null,
        public ?float $angle = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'enough' => $this->isEnough, 'pieces' => $this->pieces, 'cuts' => $this->cuts,
            'max_angle_deg' => $this->angle, ...$this->figures];
    }
}
