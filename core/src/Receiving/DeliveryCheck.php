<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Verdict;

/** Did what was ordered come? Counts are held against the order item by item; one that nobody looked at is not good. */
#[Calculates(
    'delivery-check',
    'Did what was ordered come?',
    Family::Measuring,
    ['items', 'short', 'over', 'fails', 'waits', 'verdict'],
    'Common practice: checked in against the order, item by item, before it is unloaded',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['short:*', 'over:*', 'wrong:*'], 'waits' => ['*']],
)]
final class DeliveryCheck
{
    /** Counts agree no better than this: a coil is measured in metres and tenths. */
    private const SAME = 1e-6;

    /**
     * @param  list<DeliveredItem>  $items
     * @return array{items: int, short: float, over: float, fails: list<string>, waits: list<string>, verdict: string}
     *     short, over: pieces too few and too many, together; waits: items of which nobody said that they are right
     */
    public function __invoke(#[Items('items', DeliveredItem::class, atLeast: 0, atMost: 500)] array $items): array
    {
        $short = $over = 0.0;
        $fails = $waits = [];
        foreach ($items as $item) {
            $missing = $item->ordered - $item->came;
            $counts = self::count($item->came).' of '.self::count($item->ordered).' '.$item->what;
            if ($missing > self::SAME) {
                $short += $missing;
                $fails[] = "short:{$counts}";
            } elseif ($missing < -self::SAME) {
                $over -= $missing;
                $fails[] = "over:{$counts}";
            }
            if ($item->right === false) {
                $fails[] = "wrong:{$item->what}";
            } elseif ($item->right === null) {
                $waits[] = $item->what;
            }
        }
        $verdict = $fails !== [] ? Verdict::Bad : ($items === [] || $waits !== [] ? Verdict::Open : Verdict::Good);

        return [
            'items' => \count($items), 'short' => $short, 'over' => $over, 'fails' => $fails, 'waits' => $waits,
            'verdict' => $verdict->value,
        ];
    }

    /** "14", "237.5" */
    private static function count(float $pieces): string
    {
        return rtrim(rtrim(number_format($pieces, 3, '.', ''), '0'), '.');
    }
}
