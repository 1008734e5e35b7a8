<?php

namespace App\Support;

/**
 * Six digits that an authenticator shows and that change every half minute: RFC 6238 over RFC 4226, with SHA-1 as every such
 * program knows it.
 */
final class OneTimeCode
{
    private const SECONDS = 30;

    private const DIGITS = 6;

    /** A clock may be this many steps off. */
    private const DRIFT = 1;

    private const BYTES = 20;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @return string in base 32 (RFC 4648), without padding */
    public static function newSecret(): string
    {
        $bits = implode('', array_map(fn (string $byte) => sprintf('%08b', \ord($byte)), str_split(random_bytes(self::BYTES))));

        return implode('', array_map(fn (string $five) => self::ALPHABET[(int) bindec($five)], str_split($bits, 5)));
    }

    /** @param  string  $secret  in base 32 */
    public static function at(#[\SensitiveParameter] string $secret, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::bytes($secret), true);
        $offset = \ord($hash[19]) & 0xF;
        /** @var array{1: int} $word */
        $word = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($word[1] & 0x7FFFFFFF) % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    /**
     * @param  int|null  $after  the step of the last code that was taken: none is taken twice
     * @return int|null its step; null: not a code of now
     */
    public static function step(#[\SensitiveParameter] string $secret, string $code, int $unixTime, ?int $after = null): ?int
    {
        $now = intdiv($unixTime, self::SECONDS);
        $typed = (string) preg_replace('/\s+/', '', $code);
        foreach (range($now - self::DRIFT, $now + self::DRIFT) as $step) {
            if (($after === null || $step > $after) && hash_equals(self::at($secret, $step), $typed)) {
                return $step;
            }
        }

        return null;
    }

    /** What an authenticator reads from a code on the screen. */
    public static function address(#[\SensitiveParameter] string $secret, string $account): string
    {
        return 'otpauth://totp/Diastoma:'.rawurlencode($account)."?secret={$secret}&issuer=Diastoma";
    }

    private static function bytes(string $secret): string
    {
        $bits = '';
        foreach (str_split($secret) as $letter) {
            $bits .= sprintf('%05b', (int) strpos(self::ALPHABET, $letter));
        }
        $whole = substr($bits, 0, \strlen($bits) - \strlen($bits) % 8);

        return implode('', array_map(fn (string $eight) => \chr((int) bindec($eight)), str_split($whole, 8)));
    }
}
