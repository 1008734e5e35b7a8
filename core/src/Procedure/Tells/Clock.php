<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Expression\Expression;

/** A time that is counted down to: from then on something may be done. */
final readonly class Clock
{
    /** Its section is not put under pressure before. */
    public const TEST = 'test_from';

    /** It is not covered before. */
    public const COVER = 'backfill_from';

    /** Its pipe is not pulled by it before. */
    public const PULL = 'pull_from';

    /**
     * @param  string  $label  what it is the time of: "Clamps off"
     * @param  string|null  $until  key of the step with which the waiting ends: until then the joint is left alone
     * @param  string|null  $meanwhile  what is to be done while it runs: "leave the clamps on"
     * @param  string|null  $free  what may be done when it has run out: "the clamps may come off"
     */
    public function __construct(
        public string $name,
        public string $label,
        public Expression $at,
        public ?string $until,
        public ?string $meanwhile,
        public ?string $free,
    ) {
    }

    /**
     * @param  string  $at  the time, ISO 8601
     * @return array{name: string, label: string, at: string, until: string|null, meanwhile: string|null, free: string|null}
     */
    public function toArray(string $at): array
    {
        return [
            'name' => $this->name,
            'label' => $this->label,
            'at' => $at,
            'until' => $this->until,
            'meanwhile' => $this->meanwhile,
            'free' => $this->free,
        ];
    }

    /** Of a text that gives a clock no label. */
    public static function labelOf(string $name): string
    {
        return ucfirst(str_replace('_', ' ', $name));
    }
}
