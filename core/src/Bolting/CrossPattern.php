<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

/**
 * The order in which the bolts of a joint are worked, so that it closes evenly: bolts are numbered 1 to n clockwise as seen by
 * who faces the joint.
 *
 * Groups of four for numbers divisible by four, as the legacy cross pattern of ASME PCC-1 is recalled (from memory, n = 4 to
 * 32); beyond and between, common practice: starts in bit-reversed order, pairs, or a jump of half the circle.
 */
final class CrossPattern
{
    /** Starts of the groups of four by the number of groups. */
    private const STARTS = [
        1 => [1], 2 => [1, 2], 3 => [1, 2, 3], 4 => [1, 3, 2, 4], 5 => [1, 3, 5, 2, 4], 6 => [1, 4, 2, 5, 3, 6],
        7 => [1, 4, 6, 2, 5, 7, 3], 8 => [1, 5, 3, 7, 2, 6, 4, 8],
    ];

    /**
     * @param  int  $n  2 to 64
     * @return list<int> each bolt once
     */
    public static function order(int $n): array
    {
        return match (true) {
            $n % 4 === 0 => self::fours($n),
            $n % 2 === 0 => self::pairs($n),
            default => self::jumps($n),
        };
    }

    /** @return list<int> */
    private static function fours(int $n): array
    {
        $q = intdiv($n, 4);
        $order = [];
        foreach (self::STARTS[$q] ?? array_map(fn (int $i) => $i + 1, self::bitReversed($q)) as $s) {
            array_push($order, $s, $s + 2 * $q, $s + $q, $s + 3 * $q);
        }

        return $order;
    }

    /** @return list<int> */
    private static function pairs(int $n): array
    {
        $half = intdiv($n, 2);
        $order = [];
        foreach (self::bitReversed($half) as $start) {
            $s = $start + 1;
            $last = $order[\count($order) - 1] ?? null;
            $beside = $last !== null && \in_array(abs($s - $last), [1, $n - 1], true);
            array_push($order, ...($beside ? [$s + $half, $s] : [$s, $s + $half]));
        }

        return $order;
    }

    /** @return list<int> */
    private static function jumps(int $n): array
    {
        return array_map(fn (int $i) => 1 + $i * intdiv($n - 1, 2) % $n, range(0, $n - 1));
    }

    /** @return list<int> 0 to q - 1, in the order of their reversed binary digits */
    private static function bitReversed(int $q): array
    {
        $digits = (int) ceil(log(max($q, 1), 2));
        $all = array_map(
            fn (int|float $i) => $digits === 0 ? 0 : (int) bindec(strrev(str_pad(decbin((int) $i), $digits, '0', STR_PAD_LEFT))),
            range(0, 2 ** $digits - 1),
        );

        return array_values(array_filter($all, fn (int $i) => $i < $q));
    }
}
