<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Verdict;

/** What is said of a calculation: before it is recorded, while it waits, and of its result. */
final readonly class Telling
{
    /**
     * @param  string  $question  what the calculation decides, for what nothing else is said of
     * @param  Cites|null  $limit  what the rule stands on
     * @param  list<Say>  $says
     * @param  Sentence|null  $guide  before the step is recorded
     * @param  Sentence|null  $waits  while something is not known
     */
    public function __construct(
        private string $question,
        private ?Cites $limit,
        private array $says,
        public ?Sentence $guide,
        private ?Sentence $waits,
    ) {
    }

    /** What the rule stands on, as far as it is known. */
    public function limit(Known $known): ?Parameter
    {
        return $this->limit?->cite($known);
    }

    /** @return list<Parameter> all that its sentences stand on, each once, as far as it is known */
    public function limits(Known $known): array
    {
        $limits = [];
        foreach ([$this->limit, ...array_map(fn (Say $say) => $say->limit, $this->says)] as $cites) {
            $limit = $cites?->cite($known);
            if ($limit !== null) {
                $limits[$limit->name] = $limit;
            }
        }

        return array_values($limits);
    }

    /** @param  list<string>  $missing  in words for a person */
    public function waiting(Known $known, array $missing): Spoken
    {
        return $this->waits?->fill($known) ?? Spoken::plain('Cannot be judged yet: '.implode(', ', $missing).' is not recorded.');
    }

    /**
     * A sentence for each code that has one; else the first for the verdict as a whole.
     *
     * @param  array<string, mixed>  $result
     * @return non-empty-list<Reason>
     */
    public function of(Verdict $verdict, array $result, Known $known): array
    {
        $reasons = [];
        foreach ($this->says as $say) {
            if (! \in_array($verdict, $say->verdicts, true)) {
                continue;
            }
            if ($say->list === null) {
                // A sentence for the verdict as a whole is for what no code has told.
                return $reasons !== []
                    ? $reasons
                    : [new Reason($verdict, $say->text->fill($known), $say->do->fill($known), $say->limit?->cite($known))];
            }
            foreach ($say->entries($result) as $entry) {
                $reasons[] = new Reason(
                    $verdict,
                    $say->text->fill($known, ['event' => $entry]),
                    $say->do->fill($known, ['event' => $entry]),
                    $say->limit?->cite($known),
                );
            }
        }

        return $reasons !== [] ? $reasons : [$this->plainly($verdict, $result, $this->limit($known))];
    }

    public function finds(): bool
    {
        return $this->says !== [];
    }

    /**
     * What a calculation found that judges nothing: a sentence for each code that has one.
     *
     * @param  array<string, mixed>  $result
     * @return list<Finding>
     */
    public function found(array $result, Known $known): array
    {
        $found = [];
        foreach ($this->says as $say) {
            foreach ($say->entries($result) as $entry) {
                $event = ['event' => $entry];
                $found[] = new Finding($say->text->fill($known, $event), $say->do->fill($known, $event));
            }
        }

        return $found;
    }

    /**
     * What is said where the procedure has no sentence for it.
     *
     * @param  array<string, mixed>  $result
     */
    private function plainly(Verdict $verdict, array $result, ?Parameter $limit): Reason
    {
        $why = array_filter((array) ($result['reasons'] ?? $result['why'] ?? $result['fails'] ?? $result['failed'] ?? []), is_string(...));
        $because = $why === [] ? '.' : ' ('.implode(', ', $why).').';
        $question = rtrim($this->question, '?');

        return $verdict === Verdict::Open
            ? new Reason(
                $verdict,
                Spoken::plain("Not settled: {$question}?".($why === [] ? '' : ' '.ucfirst(implode(', ', $why)).'.')),
                Spoken::plain('Record what is missing.'),
                $limit,
            )
            : new Reason($verdict, Spoken::plain("{$question}: {$verdict->value}{$because}"), Spoken::plain(''), $limit);
    }
}
