<?php

namespace App\Pack;

use App\Models\Fact;
use App\Models\Subject;
use App\Support\Say;
use Diastoma\Core\Procedure\Fact as CoreFact;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;

/**
 * All that was recorded of a joint, a test or a stretch, in that order and in words: what was entered again too, with who did it
 * and why.
 *
 * @phpstan-type Entry array{
 *     at: string, title: string, words: list<string>, written: list<Drawing>, by: string, role: string, replaced: string|null
 * }
 */
final readonly class Entries
{
    public function __construct(private Subject $subject, private Judgement $judgement, private Words $words)
    {
    }

    /** @return list<Entry> */
    public function all(): array
    {
        $facts = $this->subject->facts()->with('user')->get();
        $successors = $facts->whereNotNull('supersedes')->keyBy('supersedes');
        $rows = [];
        $seen = [];
        foreach ($facts as $fact) {
            $step = $this->judgement->procedure->step($fact->step);
            if ($step === null) {
                continue;
            }
            $whole = $this->whole($step, $facts->where('step', $fact->step)->all(), $fact);
            if (isset($seen[$whole['id']])) {
                continue;
            }
            $seen[$whole['id']] = true;
            $successor = $successors[$fact->id] ?? null;
            $rows[] = [
                'at' => $this->words->moment($fact->recorded_at),
                'title' => $step->title($this->subject->context()),
                'words' => $this->words->of($step, $whole['value']),
                'written' => self::written($step, $whole['value']),
                'by' => $fact->user->name,
                'role' => $fact->role,
                'replaced' => $successor instanceof Fact
                    ? Say::text('pack.doesNotCount', [
                        'at' => $this->words->moment($successor->recorded_at),
                        'by' => $successor->user->name,
                        'reason' => $successor->reason,
                    ])
                    : null,
            ];
        }

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $value
     * @return list<Drawing> signatures
     */
    private static function written(Step $step, array $value): array
    {
        $fields = array_filter($step->fields, fn (FieldSpec $field) => $field->type === 'signature');

        return array_values(array_filter(array_map(fn (FieldSpec $f) => WrittenByHand::drawn($value[$f->key] ?? null), $fields)));
    }

    /**
     * What comes in parts is one entry.
     *
     * @param  array<int, Fact>  $ofStep
     * @return array{id: string, value: array<string, mixed>}
     */
    private function whole(Step $step, array $ofStep, Fact $fact): array
    {
        if (! $step->kind->comesInParts() || ! isset($fact->value['trace'])) {
            return ['id' => $fact->id, 'value' => $fact->value];
        }
        $parts = array_values(array_filter($ofStep, fn (Fact $f) => $f->value['trace'] === $fact->value['trace']));
        $core = array_map(
            fn (Fact $f) => new CoreFact($f->id, $f->step, $f->value, new \DateTimeImmutable($f->recorded_at), $f->user->name, $f->role),
            $parts,
        );
        \assert($core !== []);
        $whole = $step->kind->whole($core);

        return ['id' => $whole[0]->id, 'value' => $whole[0]->value];
    }
}
