<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Procedure\Kind\Kind;
use Diastoma\Core\Refused;

/** One step of a procedure; `side` is set when the step is done on each pipe end, or in rounds. */
final readonly class Step
{
    public string $key;

    /** @var list<string> keys of later steps in which something that is found here may be put right */
    public array $cures;

    /**
     * @param  string  $title  `{side}` in it stands for the name of the side
     * @param  Condition|null  $when  it is asked for; null: always
     * @param  list<FieldSpec>  $fields
     * @param  list<string>  $roles  that may record it; none: anybody on the line
     * @param  bool  $retry  what is bad is looked at again before anything else
     * @param  list<Caution>  $cautions
     * @param  list<Sentence>  $summaries  the first of which all is known
     * @param  list<Rule>  $guides  what is computed and said before it is recorded
     * @param  list<Rule>  $rules  what judges it
     * @param  Binding|null  $device  what its device must be told
     * @param  Model|null  $model  of what happens inside the joint
     * @param  StandIn|null  $standIn  what plays its device where there is none
     * @param  Live|null  $live  what is said while its device records
     * @param  Offer|null  $offer  what was recorded elsewhere may be taken over here
     * @param  string|null  $fault  of an older frozen text: why it cannot be judged
     */
    public function __construct(
        public string $id,
        public ?string $side,
        public Kind $kind,
        private string $title,
        public ?Condition $when,
        public bool $optional,
        public array $fields,
        public array $roles,
        public Order $order,
        public bool $retry,
        public ?PhotoAsked $photo,
        public array $cautions,
        public array $summaries,
        public array $guides,
        public array $rules,
        public ?Binding $device,
        public ?Model $model,
        public ?Figure $figure,
        public ?string $fault,
        public ?StandIn $standIn = null,
        public ?Offer $offer = null,
        public ?Stage $stage = null,
        public ?Live $live = null,
    ) {
        $this->key = self::keyOf($id, $side);
        $this->cures = array_values(array_unique(array_filter(array_map(fn (Rule $rule) => $rule->curedBy, $rules))));
    }

    /**
     * @param  array<string, mixed>  $line  what is known of the line at the place: it names the sides
     */
    public function title(array $line): string
    {
        $sides = \is_array($line['sides'] ?? null) ? $line['sides'] : [];
        // Rounds on one side are named after it: a1, a2.
        $name = $sides[$this->side ?? ''] ?? $sides[rtrim($this->side ?? '', '0123456789')] ?? $this->side ?? '';

        return str_replace('{side}', \is_string($name) ? $name : '', $this->title);
    }

    /** How a sentence names it where something of it is missing. */
    public function inWords(): string
    {
        return "\"{$this->plainTitle()}\"";
    }

    /** Its title without the side on which it is done. */
    public function plainTitle(): string
    {
        return (string) preg_replace('/,?\s*\{side\}/', '', $this->title);
    }

    /** `od@a` for a step done on side a, else `conditions`. */
    public function key(): string
    {
        return $this->key;
    }

    public static function keyOf(string $id, ?string $side): string
    {
        return $side === null ? $id : "{$id}@{$side}";
    }

    /**
     * What may be stored for it, from what came.
     *
     * @param  array<string, mixed>  $value
     * @return array<string, mixed> in the step's own units
     *
     * @throws Refused every fault with its field
     */
    public function normalise(array $value): array
    {
        return $this->kind->normalise($this, $value);
    }

    public function isA(string $kind): bool
    {
        return $this->kind->name() === $kind;
    }

    public function field(string $key): ?FieldSpec
    {
        foreach ($this->fields as $field) {
            if ($field->key === $key) {
                return $field;
            }
        }

        return null;
    }
}
