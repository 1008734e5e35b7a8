<?php

namespace Database\Demo;

use App\Models\Joint;
use App\Models\StoreItem;
use App\Models\Subject;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Fact;

/** A run of a procedure's example facts as somebody's work on a joint or a stretch: its own pipes, things out of the project's stores. */
final class ExampleRun
{
    /**
     * All of it but the signature.
     *
     * @param  string|null  $run  name of the example's run; null: the good one
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}>
     */
    public static function facts(Subject $subject, Example $example, ?string $run, \DateTimeImmutable $begun): array
    {
        $facts = array_values(array_filter($example->facts($run), fn (Fact $fact) => $fact->step !== 'accept'));

        return array_map(fn (Fact $fact) => [
            'step' => $fact->step,
            'value' => self::own($fact->value, $subject),
            'at' => $begun->modify('+'.($fact->at->getTimestamp() - $facts[0]->at->getTimestamp()).' seconds'),
        ], $facts);
    }

    /**
     * @param  array<string, mixed>  $value
     * @return array<string, mixed>
     */
    private static function own(array $value, Subject $subject): array
    {
        foreach ($value as $key => $part) {
            if (\is_array($part) && isset($part['id'], $part['name'])) {
                $items = StoreItem::query()->where('project_id', $subject->line()->project_id);
                $value[$key] = $items->where('name', $part['name'])->firstOrFail()->snapshot();
            }
        }
        $its = $subject instanceof Joint ? $subject->pipes : null;
        $pipes = ['pipe_a' => $its['a'] ?? '1', 'pipe_b' => $its['b'] ?? '2'];

        return array_intersect_key($pipes, $value) + $value;
    }
}
