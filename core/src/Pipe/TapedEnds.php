<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Refused;

/** The two ends that a fitting joins; they may be of unlike pipes. One end alone is judged by itself. */
final readonly class TapedEnds
{
    public function __construct(
        #[Part('a', TapedEnd::class)] public ?TapedEnd $a = null,
        #[Part('b', TapedEnd::class)] public ?TapedEnd $b = null,
    ) {
        if ($a === null && $b === null) {
            throw Refused::field('ends', 'ends holds neither a nor b.');
        }
    }

    /** @return non-empty-array<'a'|'b', TapedEnd> */
    public function all(): array
    {
        $all = array_filter(['a' => $this->a, 'b' => $this->b], fn (?TapedEnd $end) => $end !== null);

        return $all === [] ? throw new \LogicException('neither end is given') : $all;
    }
}
