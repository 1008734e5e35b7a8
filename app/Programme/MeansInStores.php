<?php

namespace App\Programme;

use App\Models\Line;
use App\Models\StoreItem;
use Diastoma\Core\Stores\StoreKind;
use Diastoma\Core\Verdict;

/** What the stores hold for the days to come: sets of clamps and boxes that may be used today and hold the pipe of the line. */
final class MeansInStores
{
    /** @return array<string, array{usable: int, there: int}> by what they are to the days: clamps, boxes */
    public function __invoke(Line $line, \DateTimeImmutable $now): array
    {
        $kinds = array_filter(StoreKind::all(), fn (StoreKind $kind): bool => $kind->means !== null);
        $counts = array_fill_keys(array_map(fn (StoreKind $kind): string => (string) $kind->means, $kinds), ['usable' => 0, 'there' => 0]);
        ksort($counts);
        $items = StoreItem::inStores()->where('project_id', $line->project_id)->whereIn('kind', array_keys($kinds))->get();
        foreach ($items as $item) {
            $kind = $item->ofKind();
            $count = $counts[(string) $kind->means];
            // What nobody knows of is not counted on: no date of a check, no size.
            $stands = $kind->judged($item->values, $now, $line->project->time_zone)->verdict;
            $isUsable = $stands === Verdict::Good || $stands === Verdict::Close;
            $counts[(string) $kind->means] = [
                'usable' => $count['usable'] + ($isUsable && $this->holds($item->values, $line) ? 1 : 0),
                'there' => $count['there'] + 1,
            ];
        }

        return $counts;
    }

    /** @param  array<string, mixed>  $values  one that says no sizes takes any */
    private function holds(array $values, Line $line): bool
    {
        $size = $line->pipe['dn_mm'] ?? $line->pipe['od_mm'] ?? null;
        [$from, $to] = [$values['dn_min_mm'] ?? null, $values['dn_max_mm'] ?? null];
        if ($from === null && $to === null) {
            return true;
        }

        return is_numeric($size) && ($from === null || $size >= $from) && ($to === null || $size <= $to);
    }
}
