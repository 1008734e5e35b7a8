<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Walk;

/**
 * A sentence of a procedure with places for values: `{result.ovality_judged_mm|1} is over {param.ovality_limit_mm}`.
 *
 * The unit comes from the end of a place's name, and the reader's own units are used. After a bar: decimals (`|1`), unit and
 * decimals (`|mm.0`), `raw`, `time`, `moment` (day and time), `day`, `count`, `quarter` (clock positions to the quarter hour: nobody
 * sets a clamp to the minute).
 */
final readonly class Sentence
{
    /** A place as it stands in a file: path, and how it is shown. */
    public const PLACE = '/\{([a-z0-9_.@-]+)(?:\|(\d|raw|time|moment|day|count|quarter|[a-z]+\.\d))?\}/i';

    /** @param  list<string|Place>  $parts */
    public function __construct(private array $parts)
    {
    }

    public static function plain(string $text): self
    {
        return new self([$text]);
    }

    /** @param  array<string, mixed>  $moment  values for the places that no expression fills */
    public function fill(Known $known, array $moment = []): Spoken
    {
        $parts = [];
        foreach ($this->parts as $part) {
            $parts[] = \is_string($part) ? $part : [self::value($part, $known, $moment), $part->name, $part->how];
        }

        return new Spoken($parts);
    }

    /** Is every place of it known? */
    public function isKnown(Known $known): bool
    {
        foreach ($this->parts as $part) {
            if ($part instanceof Place && self::value($part, $known, []) === null) {
                return false;
            }
        }

        return true;
    }

    /** @param  array<string, mixed>  $moment */
    private static function value(Place $place, Known $known, array $moment): mixed
    {
        return $place->value !== null ? $place->value->of($known) : Walk::down($moment, explode('.', $place->path));
    }
}
