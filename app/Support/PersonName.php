<?php

namespace App\Support;

/** The one form of a name: what cannot be seen is gone, so that no two people look alike and are not. */
final class PersonName
{
    public const LEAST = 2;

    public const MOST = 80;

    public static function normal(string $typed): string
    {
        $folded = \Normalizer::normalize(mb_scrub($typed, 'UTF-8'), \Normalizer::FORM_KC) ?: '';

        return trim((string) preg_replace(['/\p{C}+/u', '/[\p{Z}\s]+/u'], ['', ' '], $folded));
    }
}
