<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Known;

/**
 * What a joint takes of a day: hands before it is fitted, hands that fit it, power, and the time that it cools in its clamps.
 *
 * @phpstan-import-type TakenTold from Taken
 */
final readonly class Takes
{
    /** Acts in the order in which they follow each other. */
    public const ACTS = ['prepare', 'fit', 'fuse', 'cool'];

    /** From when it is cold to when it may be tested; told beside the acts, for nobody works meanwhile. */
    public const REST = 'rest';

    /**
     * @param  array<string, Taken>  $acts  by {@see ACTS}; one that such a joint does not have is missing
     * @param  string|null  $testAfter  parameter: not to be tested for so long after power off; null: no longer than it cools
     * @param  bool  $isTimesCooling  that is so many times the cooling, else minutes
     */
    public function __construct(private array $acts, private ?string $testAfter, private bool $isTimesCooling)
    {
    }

    /** @return array<string, TakenTold|null> by {@see ACTS} and {@see REST}; null: it takes its time, nobody says how long */
    public function told(Known $known): array
    {
        $told = array_map(fn (Taken $taken): ?array => $taken->told($known), $this->acts);

        return $this->testAfter === null ? $told : $told + [self::REST => $this->rest($known, $told['cool'] ?? null)];
    }

    /**
     * @param  TakenTold|null  $cool
     * @return TakenTold|null
     */
    private function rest(Known $known, ?array $cool): ?array
    {
        $after = $known->procedure->parameters[$this->testAfter ?? ''] ?? null;
        if ($cool === null || $after === null || ! \is_int($after->value) && ! \is_float($after->value)) {
            return null;
        }
        $untilTest = $this->isTimesCooling ? $after->value * $cool['min'] : $after->value;

        return ['min' => max(0.0, $untilTest - $cool['min']), 'source' => $after->source, 'certainty' => $after->certainty];
    }
}
