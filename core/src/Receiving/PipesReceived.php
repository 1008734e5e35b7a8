<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Verdict;

/**
 * Each pipe of a delivery by its number, with what was rejected. "001" to "012" are twelve pipes with as many digits; what does
 * not count up from the first to the last, or names a pipe twice, is said and not guessed.
 */
#[Calculates(
    'pipes-received',
    'Which pipes came?',
    Family::Measuring,
    ['pipes', 'count', 'rejected_count', 'length_m', 'fails', 'verdict'],
    'Arithmetic; a rejected pipe is marked and not laid: common practice',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['no-range:*', 'too-many:*', 'twice:*', 'came-before:*']],
)]
final class PipesReceived
{
    /** More on one lorry are a slip of the hand. */
    private const MOST = 500;

    /**
     * @param  list<PipesNamed>  $named
     * @param  list<RejectedOnArrival>  $rejected
     * @param  list<CameBefore>  $before
     * @return array{
     *     pipes: list<array{number: string, length_m: float|null, serial: string|null, rejected: string|null}>,
     *     count: int, rejected_count: int, length_m: float, fails: list<string>, verdict: string
     * } length_m: of those that were not rejected, as far as their lengths are known
     */
    public function __invoke(
        #[Items('named', PipesNamed::class, atLeast: 0, atMost: self::MOST)] array $named,
        #[Items('rejected', RejectedOnArrival::class, atLeast: 0, atMost: self::MOST)] array $rejected = [],
        #[Items('before', CameBefore::class, atLeast: 0, about: 'pipes that came with other deliveries')] array $before = [],
    ): array {
        $why = [];
        foreach ($rejected as $one) {
            $why[PipeNumber::plain($one->what)] = implode(', ', array_filter([$one->why, $one->more ?? '']));
        }
        $with = [];
        foreach ($before as $one) {
            $with[PipeNumber::plain($one->number)] = $one->with;
        }
        $pipes = $fails = $seen = [];
        foreach ($named as $some) {
            $numbers = self::between(trim($some->first), trim($some->last ?? ''));
            if ($numbers === null || \count($numbers) > self::MOST) {
                $fails[] = ($numbers === null ? 'no-range:' : 'too-many:')."{$some->first} to {$some->last}";

                continue;
            }
            foreach ($numbers as $number) {
                $plain = PipeNumber::plain($number);
                if (isset($seen[$plain])) {
                    $fails[] = "twice:{$number}";

                    continue;
                }
                $seen[$plain] = true;
                if (isset($with[$plain])) {
                    $fails[] = "came-before:{$number}, with {$with[$plain]}";

                    continue;
                }
                $pipes[] = [
                    'number' => $number, 'length_m' => $some->length, 'serial' => $some->serial, 'rejected' => $why[$plain] ?? null,
                ];
            }
        }
        $sound = array_filter($pipes, fn (array $pipe) => $pipe['rejected'] === null);

        return [
            'pipes' => $pipes, 'count' => \count($pipes), 'rejected_count' => \count($pipes) - \count($sound),
            'length_m' => array_sum(array_map(fn (array $pipe) => $pipe['length_m'] ?? 0.0, $sound)),
            'fails' => $fails,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($pipes === [] ? Verdict::Open : Verdict::Good))->value,
        ];
    }

    /** @return list<string>|null null: nobody can count from the one to the other */
    private static function between(string $first, string $last): ?array
    {
        if ($last === '' || $last === $first) {
            return $first === '' ? null : [$first];
        }
        $parts = '/^(.*?)(\d{1,9})$/u';
        if (preg_match($parts, $first, $a) !== 1 || preg_match($parts, $last, $b) !== 1) {
            return null;
        }
        [$from, $to] = [(int) $a[2], (int) $b[2]];
        if ($a[1] !== $b[1] || $to < $from) {
            return null;
        }
        // One more than may be is enough to say that there are too many.
        $to = min($to, $from + self::MOST);

        return array_map(fn (int $n) => $a[1].str_pad((string) $n, \strlen($a[2]), '0', STR_PAD_LEFT), range($from, $to));
    }
}
