<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/**
 * Where to look first after a section was not tight: what is known of its joints, put in the order in which a crew walks to
 * them. It accuses nobody: a leak may be anywhere.
 *
 * The order is common practice: what is bad or not finished, then what was made twice or closes a line, then readings near their
 * limits, then what was made last.
 *
 * @phpstan-type Known array{
 *     number: string, chainage_m: float, verdict: string, is_repair: bool, is_closing: bool, corrected: int, made_at: string|null
 * }
 */
final readonly class Suspects
{
    private const POINTS = ['bad' => 10, 'open' => 6, 'repair' => 3, 'closing' => 3, 'close' => 2, 'corrected' => 1, 'last' => 1];

    /** Share of the joints that were made last. */
    private const LAST = 0.1;

    /** Beyond that a list is no help. */
    private const MOST = 8;

    /**
     * @param  list<Known>  $joints  of the section; made_at ISO
     * @return list<array{number: string, chainage_m: float, why: non-empty-list<string>}> the likeliest first
     */
    public static function among(array $joints): array
    {
        $last = self::lastMade($joints);
        $found = [];
        foreach ($joints as $joint) {
            $why = array_keys(array_filter([
                'bad' => $joint['verdict'] === 'bad',
                'open' => $joint['verdict'] === 'open',
                'repair' => $joint['is_repair'],
                'closing' => $joint['is_closing'],
                'close' => $joint['verdict'] === 'close',
                'corrected' => $joint['corrected'] > 0,
                'last' => \in_array($joint['number'], $last, true),
            ]));
            if ($why !== []) {
                $found[] = ['number' => $joint['number'], 'chainage_m' => $joint['chainage_m'], 'why' => $why];
            }
        }
        $points = fn (array $one): int => array_sum(array_map(fn (string $why) => self::POINTS[$why], $one['why']));
        usort($found, fn (array $a, array $b) => [$points($b), $a['chainage_m']] <=> [$points($a), $b['chainage_m']]);

        return \array_slice($found, 0, self::MOST);
    }

    /**
     * @param  list<Known>  $joints
     * @return list<string> numbers
     */
    private static function lastMade(array $joints): array
    {
        $made = array_values(array_filter($joints, fn (array $joint) => $joint['made_at'] !== null));
        $at = fn (array $joint): \DateTimeImmutable => new \DateTimeImmutable((string) $joint['made_at']);
        usort($made, fn (array $a, array $b) => $at($b) <=> $at($a));

        return array_map(
            fn (array $joint) => $joint['number'],
            \array_slice($made, 0, \count($made) > 1 ? (int) ceil(self::LAST * \count($made)) : 0),
        );
    }
}
