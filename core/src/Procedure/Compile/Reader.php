<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Procedure\Condition;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Expression\Record;
use Diastoma\Core\Procedure\Expression\Unresolved;
use Diastoma\Core\Procedure\Form\Forms;
use Diastoma\Core\Procedure\Sentence;

/** Reads the small languages of a procedure at one place of it: paths, forms, conditions, sentences. */
final readonly class Reader
{
    public function __construct(
        public Vocabulary $vocabulary,
        private Faults $faults,
        public Here $here,
        public string $path,
        private bool $harmless = false,
    ) {
    }

    public function below(string $key): self
    {
        return new self(
            $this->vocabulary,
            $this->faults,
            $this->here,
            str_starts_with($key, '[') ? $this->path.$key : ltrim("{$this->path}.{$key}", '.'),
            $this->harmless,
        );
    }

    public function from(Here $here): self
    {
        return new self($this->vocabulary, $this->faults, $here, $this->path, $this->harmless);
    }

    /** Of what is only shown: nothing is judged wrongly by a fault in it. */
    public function forShow(): self
    {
        return new self($this->vocabulary, $this->faults, $this->here, $this->path, true);
    }

    public function fault(string $what): void
    {
        $this->harmless ? $this->remark($what) : $this->faults->at($this->path, $what);
    }

    /** {@see Faults::harmlessAt()} */
    public function remark(string $what): void
    {
        $this->faults->harmlessAt($this->path, $what);
    }

    public function faultUnder(string ...$but): ?string
    {
        return $this->faults->under($this->path, ...array_map(fn (string $key) => "{$this->path}.{$key}", $but));
    }

    public function unresolved(string $text, ?string $fault = null): Unresolved
    {
        if ($fault !== null) {
            $this->fault($fault);
        }

        return new Unresolved($text);
    }

    /** A value, a path that starts with `$`, an object whose first key is a form, or lists and objects of these. */
    public function expression(mixed $value): Expression
    {
        if (\is_string($value)) {
            return str_starts_with($value, '$') ? $this->path($value) : new Constant($value);
        }
        if (! \is_array($value)) {
            return new Constant($value);
        }
        $first = array_key_first($value);
        if (\is_string($first) && str_starts_with($first, '$')) {
            return $this->form($first, $value);
        }
        $entries = [];
        foreach ($value as $key => $entry) {
            $entries[$key] = $this->below(\is_int($key) ? "[{$key}]" : $key)->expression($entry);
        }
        $constants = array_filter($entries, fn (Expression $e) => $e instanceof Constant);

        return \count($constants) === \count($entries)
            ? new Constant(array_map(fn (Constant $c) => $c->value, $constants))
            : new Record($entries);
    }

    public function path(string $path): Expression
    {
        return (new PathReader($this))->read($path);
    }

    /** @param  array<mixed>  $spec */
    private function form(string $name, array $spec): Expression
    {
        $class = ($this->vocabulary->isFrozen ? Forms::ever() : Forms::all())[$name] ?? null;
        if ($class === null) {
            return $this->below($name)->unresolved($name, "\"{$name}\" is no form; ".Nearest::to($name, array_keys(Forms::all())));
        }
        $also = Forms::about($class)->also;
        foreach ($also === ['*'] ? [] : array_diff(\array_slice(array_keys($spec), 1), $also) as $unknown) {
            $this->below((string) $unknown)->fault("\"{$unknown}\" is not known beside {$name}; ".Nearest::to((string) $unknown, $also));
        }

        /** @var array<string, mixed> $spec */
        return $class::read($spec, $this);
    }

    /**
     * The values of a form over a list.
     *
     * @param  array<string, mixed>  $spec
     * @return list<Expression>
     */
    public function listOf(string $form, array $spec): array
    {
        $list = $spec[$form];
        if (! \is_array($list) || ! array_is_list($list) || $list === []) {
            $this->below($form)->fault('must be a list of values');

            return [];
        }

        return array_map(fn (int $i) => $this->below("{$form}[{$i}]")->expression($list[$i]), array_keys($list));
    }

    /** @param  mixed  $conditions  a list of those that must all hold; whatever else is named */
    public function conditions(mixed $conditions): Condition\Condition
    {
        return (new ConditionReader($this))->all($conditions);
    }

    public function sentence(string $text): Sentence
    {
        return (new SentenceReader($this))->read($text);
    }

    /** The key of the step that a name means from here: the side at hand, unless it names one. */
    public function stepKey(string $name): ?string
    {
        $id = Vocabulary::idOf($name);
        $side = str_contains($name, '@') ? substr($name, \strlen($id) + 1) : null;
        if (! $this->vocabulary->hasStep($id)) {
            $this->fault("there is no step \"{$id}\" in this procedure; ".Nearest::to($id, $this->vocabulary->ids()));

            return null;
        }
        $sides = $this->vocabulary->sides($id);
        if ($side === null && $this->here->side !== null && \in_array($this->here->side, $sides, true)) {
            return "{$id}@{$this->here->side}";
        }
        if ($side !== null && $this->vocabulary->position($name) === null) {
            $this->fault("the step \"{$id}\" is not done on \"{$side}\"; ".Nearest::to($side, $sides));

            return null;
        }

        return $name;
    }

    /**
     * Can the list that a path leads to hold these codes?
     *
     * @param  list<string>  $codes
     */
    public function codesMustExist(mixed $list, array $codes): void
    {
        foreach (\is_string($list) ? [$list] : [] as $path) {
            $result = (new PathReader($this))->resultOf($path);
            if ($result !== null) {
                Codes::mustExist($this, $result['calculation'], $result['name'], $codes);
            }
        }
    }
}
