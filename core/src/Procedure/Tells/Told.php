<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Spoken;
use Diastoma\Core\Units\UnitSystem;

/**
 * What is told of one joint or stretch as it stands.
 *
 * @phpstan-import-type Received from Receives
 * @phpstan-import-type Turn from Turns
 * @phpstan-import-type TakenTold from Taken
 */
final readonly class Told
{
    /**
     * @param  list<array{name: string, label: string, at: string, until: string|null, meanwhile: string|null, free: string|null}>  $clocks
     * @param  bool  $leftFace  the crew has moved on from it
     * @param  array<'a'|'b', string|null>  $pipes  numbers that were recorded; none: it does not say
     * @param  array<string, mixed>  $register  column => value
     * @param  string|null  $coveredAt  of a stretch: when its joints were covered, ISO 8601; null: they are not
     * @param  string|null  $openedAt  of a stretch: when its joints were laid bare again, ISO 8601; null: they were not
     * @param  Received|null  $received
     * @param  Turn|null  $turns  how far it may turn, and who says so; null: nobody does
     * @param  array<string, TakenTold|null>|null  $takes  how long each of its acts takes; null: it is no work of a day
     * @param  array{label: string, text: Spoken|null}  $tagHead
     * @param  list<array{label: string, text: Spoken|null}>  $tag
     */
    public function __construct(
        public array $clocks,
        public bool $leftFace,
        public array $pipes,
        public array $register,
        private array $tagHead,
        private array $tag,
        public ?string $coveredAt = null,
        public ?string $openedAt = null,
        public ?array $received = null,
        public ?array $turns = null,
        public ?array $takes = null,
    ) {
    }

    /** @return array{head: array{label: string, text: string|null}|null, lines: list<array{label: string, text: string}>} */
    public function tag(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        $lines = [];
        foreach ($this->tag as $line) {
            if ($line['text'] !== null) {
                $lines[] = ['label' => $line['label'], 'text' => $line['text']->in($units, $zone)];
            }
        }

        return [
            'head' => $this->tagHead['label'] === ''
                    ? null
                    : ['label' => $this->tagHead['label'], 'text' => $this->tagHead['text']?->in($units, $zone)],
            'lines' => $lines,
        ];
    }
}
