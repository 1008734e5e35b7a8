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

    /** @param  array<string, Taken>  $acts  by {@see ACTS}; one that such a joint does not have is missing */
    public function __construct(private array $acts)
    {
    }

    /** @return array<string, TakenTold|null> null: it takes its time, nobody says how long */
    public function told(Known $known): array
    {
        return array_map(fn (Taken $taken): ?array => $taken->told($known), $this->acts);
    }
}
