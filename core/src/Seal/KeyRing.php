<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Refused;

/**
 * The key with which a server signs today, and those with which it signed before, each until the moment at which it was laid
 * down: a seal of a former key counts where it was set before that.
 */
final readonly class KeyRing
{
    /** @param  array<string, \DateTimeImmutable>  $former  public key in base64 => until when it signed */
    private function __construct(public SealKey $current, private array $former)
    {
    }

    /**
     * @param  string  $seed  32 bytes, in base64
     * @param  string  $former  "PUBLIC-KEY@2026-05-04T10:00:00Z", one after the other with a space between; empty: there is none
     *
     * @throws Refused naming seal_key or seal_keys_before
     */
    public static function of(#[\SensitiveParameter] string $seed, string $former = ''): self
    {
        $until = [];
        foreach (preg_split('/\s+/', trim($former), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            [$key, $at] = explode('@', $one, 2) + [1 => ''];
            $time = \DateTimeImmutable::createFromFormat('!Y-m-d\TH:i:s\Z', $at, new \DateTimeZone('UTC'));
            if (\strlen((string) base64_decode($key, true)) !== SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES || $time === false) {
                throw Refused::field(
                    'seal_keys_before', 'seal_keys_before must be public keys as KEY@2026-05-04T10:00:00Z, a space between.',
                );
            }
            $until[$key] = $time;
        }

        return new self(SealKey::of($seed), $until);
    }

    /** @return list<string> public keys in base64, the current one first */
    public function publicKeys(): array
    {
        return array_values(array_unique([$this->current->publicKey(), ...array_map(strval(...), array_keys($this->former))]));
    }

    /**
     * Did this server sign this text, with the key that it had then?
     *
     * @param  string  $signature  in base64
     * @param  \DateTimeImmutable  $at  when the text says that it was signed
     */
    public function hasSigned(string $text, string $signature, \DateTimeImmutable $at): bool
    {
        if (SealKey::isSigned($text, $signature, $this->current->publicKey())) {
            return true;
        }
        foreach ($this->former as $key => $until) {
            if ($at < $until && SealKey::isSigned($text, $signature, (string) $key)) {
                return true;
            }
        }

        return false;
    }
}
