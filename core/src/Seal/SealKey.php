<?php

declare(strict_types=1);

namespace Diastoma\Core\Seal;

use Diastoma\Core\Refused;

/** The key with which a server signs its seals (Ed25519, RFC 8032). It is kept outside the database; its public half is given out. */
final readonly class SealKey
{
    /** @param  non-empty-string  $pair */
    private function __construct(private string $pair)
    {
    }

    /**
     * @param  string  $seed  32 bytes, in base64
     *
     * @throws Refused naming seal_key
     */
    public static function of(#[\SensitiveParameter] string $seed): self
    {
        $bytes = base64_decode($seed, true);
        if ($bytes === false || \strlen($bytes) !== SODIUM_CRYPTO_SIGN_SEEDBYTES) {
            throw Refused::field('seal_key', 'seal_key must be 32 bytes in base64: SEAL_KEY of the server.');
        }

        return new self(sodium_crypto_sign_seed_keypair($bytes));
    }

    /** @return string in base64 */
    public function sign(string $text): string
    {
        return base64_encode(sodium_crypto_sign_detached($text, sodium_crypto_sign_secretkey($this->pair)));
    }

    /** @return string in base64 */
    public function publicKey(): string
    {
        return base64_encode(sodium_crypto_sign_publickey($this->pair));
    }

    /**
     * Did the owner of this key sign this text? What is no key and no signature did not.
     *
     * @param  string  $signature  in base64
     * @param  string  $publicKey  in base64
     */
    public static function isSigned(string $text, string $signature, string $publicKey): bool
    {
        [$sign, $key] = [base64_decode($signature, true), base64_decode($publicKey, true)];

        return \is_string($sign) && \strlen($sign) === SODIUM_CRYPTO_SIGN_BYTES
            && \is_string($key) && \strlen($key) === SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES
            && sodium_crypto_sign_verify_detached($sign, $text, $key);
    }
}
