<?php

namespace App\Support;

use Illuminate\Support\Str;

/**
 * The one form of an e-mail address in which it is stored, looked up and counted: what looks alike is one address, and
 * no spelling of it is another.
 */
final class Address
{
    public static function normal(string $typed): string
    {
        // Compatibility forms first (full-width letters), then all that cannot be seen: format, control, space.
        $folded = \Normalizer::normalize(mb_scrub($typed, 'UTF-8'), \Normalizer::FORM_KC) ?: '';
        $seen = (string) preg_replace('/[\p{C}\p{Z}\s]+/u', '', $folded);
        // Accents are taken off: an address with one and its plain spelling are the same person's.
        $plain = (string) preg_replace('/\p{M}+/u', '', \Normalizer::normalize($seen, \Normalizer::FORM_D) ?: '');

        return Str::lower(\Normalizer::normalize($plain, \Normalizer::FORM_C) ?: '');
    }
}
