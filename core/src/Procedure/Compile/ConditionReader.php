<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Procedure\Condition\AllOf;
use Diastoma\Core\Procedure\Condition\AnyOf;
use Diastoma\Core\Procedure\Condition\AtLeast;
use Diastoma\Core\Procedure\Condition\AtMost;
use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Procedure\Condition\Is;
use Diastoma\Core\Procedure\Condition\IsIn;
use Diastoma\Core\Procedure\Condition\IsKnown;
use Diastoma\Core\Procedure\Condition\IsNot;
use Diastoma\Core\Procedure\Condition\Unsettled;

/** Reads `{"of": path, "is" | "not" | "in" | "min" | "max" | "known": …}` and `{"any": […]}`. */
final readonly class ConditionReader
{
    /** What is compared, in the order in which it is read. */
    private const COMPARISONS = [
        'is' => Is::class,
        'not' => IsNot::class,
        'in' => IsIn::class,
        'min' => AtLeast::class,
        'max' => AtMost::class,
    ];

    public function __construct(private Reader $reader)
    {
    }

    public function all(mixed $conditions): Condition
    {
        return new AllOf($this->each($conditions));
    }

    /** @return list<Condition> */
    private function each(mixed $conditions): array
    {
        if (! \is_array($conditions) || $conditions === [] || \is_string(array_key_first($conditions))) {
            $this->reader->fault('must be a list of conditions');

            return [new Unsettled];
        }
        $read = [];
        foreach ($conditions as $i => $condition) {
            $read[] = (new self($this->reader->below("[{$i}]")))->one($condition);
        }

        return $read;
    }

    private function one(mixed $condition): Condition
    {
        if (\is_array($condition) && isset($condition['any'])) {
            return new AnyOf((new self($this->reader->below('any')))->each($condition['any']));
        }
        $words = \is_array($condition) ? array_intersect(['known', ...array_keys(self::COMPARISONS)], array_keys($condition)) : [];
        if (! \is_array($condition) || ! isset($condition['of']) || $words === []) {
            $this->reader->fault(
                'must be an object with "of" and one of known, '.implode(', ', array_keys(self::COMPARISONS)).', or with "any"',
            );

            return new Unsettled;
        }
        $of = $this->reader->below('of')->expression($condition['of']);
        $all = [];
        foreach ($words as $word) {
            if ($word === 'known') {
                $all[] = new IsKnown($of, $condition['known'] === true);
            } else {
                $at = $this->reader->below($word);
                (new Answerable($at))->check($condition['of'], $word, $condition[$word]);
                $all[] = new (self::COMPARISONS[$word])($of, $at->expression($condition[$word]));
            }
        }

        return \count($all) === 1 ? $all[0] : new AllOf($all);
    }
}
