<?php

namespace Tests\Fuzz;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Alters what comes as JSON, the same way for the same seed: one to three changes somewhere in the tree. */
final class Mutator
{
    private const ODD = [
        null,
        true,
        false,
        0,
        -0.0,
        1,
        -1,
        2,
        0.5,
        1e-12,
        -1e-12,
        1e-308,
        1e9,
        -1e9,
        1e19,
        1e100,
        -1e100,
        1.7976931348623157e308,
        -1.7976931348623157e308,
        PHP_INT_MAX,
        PHP_INT_MIN,
        '',
        ' ',
        '0',
        '-',
        '.',
        '1,234',
        '12,5',
        '1e3',
        '4 1/8 in',
        '7 bara',
        '3:00',
        '13:00',
        '٣:٠٠',
        '３',
        'NaN',
        'INF',
        '∞',
        "a\0b",
        "\u{202E}x",
        "\u{FEFF}",
        'é',
        '<b>',
        "'; --",
        '2026-05-04T10:00:00+02:00',
        '2026-05-04T10:00:00+25:00',
        '2026-05-04T10:00:00+99:99',
        '9999-12-31T23:59:59-14:00',
        '0000-00-00T00:00:00Z',
        '2026-02-30',
        '2026-05-04',
        '+200000 years',
        [],
        [[]],
        [1],
        [[1, 2, 3]],
        [[0, 0], [0, 0]],
        [null],
        ['x'],
        ['a' => 1],
        ['a' => ['b' => ['c' => [[1]]]]],
        [1e308, -1e308],
    ];

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * @param  array<array-key, mixed>  $body
     * @return array<array-key, mixed>
     */
    public function alter(array $body): array
    {
        for ($n = $this->random->getInt(1, 3); $n > 0; $n--) {
            $body = (array) $this->within($body, 0);
        }

        return $body;
    }

    public function odd(): mixed
    {
        $pick = $this->random->getInt(0, \count(self::ODD));

        return $pick === \count(self::ODD) ? str_repeat($this->random->getInt(0, 1) === 0 ? '9' : 'ä', 4000) : self::ODD[$pick];
    }

    /**
     * @param  array<int|string, mixed>  $value
     * @return array<int|string, mixed>
     */
    private function without(array $value, int|string $key): array
    {
        $list = array_is_list($value);
        unset($value[$key]);

        return $list ? array_values($value) : $value;
    }

    private function within(mixed $value, int $deep): mixed
    {
        if (\is_array($value) && $value !== [] && ($deep === 0 || $this->random->getInt(0, 3) > 0)) {
            $keys = array_keys($value);
            $key = $keys[$this->random->getInt(0, \count($keys) - 1)];

            return match ($this->random->getInt(0, 9)) {
                0 => $this->without($value, $key),
                1 => [...$value, ...(\is_int($key) ? [$value[$key]] : ["{$key}_x" => $value[$key]])],
                2 => \is_int($key) ? array_reverse($value) : [$key => $this->odd()] + $value,
                3 => \is_int($key)
                    ? \array_slice($value, 0, $this->random->getInt(0, \count($value)))
                    : [$this->otherUnit($key) => $value[$key]] + $this->without($value, $key),
                default => array_replace($value, [$key => $this->within($value[$key], $deep + 1)]),
            };
        }
        if ((\is_int($value) || \is_float($value)) && $this->random->getInt(0, 2) > 0) {
            return match ($this->random->getInt(0, 5)) {
                0 => -$value,
                1 => $value * 10 ** $this->random->getInt(-12, 12),
                2 => $value + 1,
                3 => $value * (1 + 1e-12),
                4 => (string) $value,
                default => 0,
            };
        }
        if (\is_string($value) && $value !== '' && $this->random->getInt(0, 2) > 0) {
            $at = $this->random->getInt(0, \strlen($value) - 1);

            return match ($this->random->getInt(0, 3)) {
                0 => substr($value, 0, $at),
                1 => $value.$value,
                2 => mb_scrub(substr_replace($value, \chr($this->random->getInt(1, 127)), $at, 1)),
                default => strrev(mb_scrub($value, 'ASCII')),
            };
        }

        return $this->odd();
    }

    /** The same quantity under another suffix, or under none that is known. */
    private function otherUnit(string $key): string
    {
        $suffixes = [
            '_mm',
            '_m',
            '_in',
            '_c',
            '_f',
            '_degc',
            '_bar',
            '_kpa',
            '_psi',
            '_s',
            '_min',
            '_h',
            '_l',
            '_gal',
            '_k',
            '_deg',
            '_nonsense',
            '',
        ];

        return preg_replace('/_[a-z0-9]+$/', '', $key).$suffixes[$this->random->getInt(0, \count($suffixes) - 1)];
    }
}
