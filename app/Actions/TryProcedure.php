<?php

namespace App\Actions;

use App\Models\Joint;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\StepState;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** What a procedure that is not frozen yet says of a joint that was recorded by another one. Nothing of it is kept. */
final class TryProcedure
{
    /** @return array<string, mixed> verdict by it and by its own, and where the two differ */
    public function __invoke(Procedure $procedure, Joint $joint, UnitSystem $units): array
    {
        $zone = new \DateTimeZone($joint->line()->project->time_zone);
        $was = $joint->judgement();
        $now = $joint->judgement(by: $procedure);
        $keys = array_unique([...array_keys($now->steps), ...array_keys($was->steps)]);
        $rows = array_map(function (string $key) use ($was, $now, $units, $zone): array {
            $state = $now->steps[$key] ?? null;

            return [
                'key' => $key,
                'title' => $state->title ?? $was->steps[$key]->title,
                'was' => self::verdictAt($was, $key),
                'now' => self::verdictAt($now, $key),
                'text' => ($state?->reasons[0] ?? null)?->text->in($units, $zone),
            ];
        }, $keys);

        return [
            'joint' => $joint->name(),
            'was' => $was->verdict->value,
            'now' => $now->verdict->value,
            'done' => $now->done,
            'total' => $now->total,
            'differs' => array_values(array_filter($rows, fn (array $row) => $row['was'] !== $row['now'])),
        ];
    }

    /** Null where the step is in the other text alone. */
    private static function verdictAt(Judgement $judgement, string $key): ?string
    {
        $state = $judgement->steps[$key] ?? null;

        return $state instanceof StepState ? ($state->counts() ? $state->verdict : Verdict::Open)->value : null;
    }
}
