<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Expression\FactBy;
use Diastoma\Core\Procedure\Expression\FactTime;
use Diastoma\Core\Procedure\Expression\FactValue;
use Diastoma\Core\Procedure\Expression\LineValue;
use Diastoma\Core\Procedure\Expression\Now;
use Diastoma\Core\Procedure\Expression\ResultValue;

/**
 * Resolves a path: `$fact.x` this step, `$step.ID.x` another one, `$here.CALC.x` and `$result.ID.CALC.x` results, `$param.x`,
 * `$line.x`, `$at`, `$now`, `$side`. One that leads nowhere, or to what is not known yet when it is read, is a fault.
 */
final readonly class PathReader
{
    private const ROOTS = ['$fact', '$step', '$result', '$here', '$param', '$line', '$at', '$now', '$side'];

    public function __construct(private Reader $reader)
    {
    }

    public function read(string $path): Expression
    {
        $parts = explode('.', $path);
        $root = array_shift($parts);
        $here = $this->reader->here;

        return match ($root) {
            '$now' => new Now,
            '$side' => $here->side === null ? $this->nowhere($path, 'the step is not done on sides') : new Constant($here->side),
            '$at' => $this->time((string) $here->key()),
            '$fact' => $this->fact((string) $here->key(), $parts, $path),
            '$param' => $this->parameter($parts, $path),
            '$line' => $this->line($parts, $path),
            '$step' => $this->step($parts, $path),
            '$here', '$result' => $this->result($path),
            default => $this->nowhere($path, "\"{$path}\" is no path; paths begin with ".implode(', ', self::ROOTS)),
        };
    }

    /**
     * The calculation and the name in its result that a path leads to; null where it leads to something else.
     *
     * @return array{calculation: string, name: string}|null
     */
    public function resultOf(string $path): ?array
    {
        [$root, $parts] = [strtok($path, '.'), \array_slice(explode('.', $path), 1)];
        if ($root === '$here') {
            array_unshift($parts, (string) $this->reader->here->key());
        } elseif ($root !== '$result') {
            return null;
        }
        $key = $this->reader->vocabulary->keys($parts[0] ?? '', $this->reader->here->side)[0] ?? '';
        $known = \count($parts) === 3 && \in_array($parts[1], $this->reader->vocabulary->rules($key), true);
        $calculation = $known ? $this->reader->vocabulary->calculation($key, $parts[1]) : '';

        return $known && Registry::standard()->has($calculation) ? ['calculation' => $calculation, 'name' => $parts[2]] : null;
    }

    private function nowhere(string $path, string $why): Expression
    {
        return $this->reader->unresolved($path, $why);
    }

    private function time(string $key): Expression
    {
        return $key === ''
            ? $this->nowhere('$at', 'there is no step here')
            : new FactTime($key, "\"{$this->reader->vocabulary->title($key)}\"");
    }

    /** @param  list<string>  $parts */
    private function fact(string $key, array $parts, string $path): Expression
    {
        $fault = match (true) {
            $key === '' => 'there is no step here',
            $this->reader->here->asking => 'a step cannot be asked for by its own answer',
            default => $this->wrongFact($key, $parts),
        };

        return $fault !== null ? $this->nowhere($path, $fault) : new FactValue($key, $parts, $this->words($key, $parts));
    }

    /** @param  list<string>  $parts */
    private function words(string $key, array $parts): string
    {
        $field = $key === $this->reader->here->key() ? $this->reader->vocabulary->field($key, $parts[0] ?? '') : null;

        return '"'.($field['label'] ?? $this->reader->vocabulary->title($key)).'"';
    }

    /** @param  list<string>  $parts */
    private function wrongFact(string $key, array $parts): ?string
    {
        $vocabulary = $this->reader->vocabulary;
        $id = Vocabulary::idOf($key);
        $keys = $vocabulary->factKeys($key);
        if ($parts !== [] && ! \in_array($parts[0], $keys, true)) {
            return "\"{$parts[0]}\" is nothing that the step \"{$id}\" records; ".Nearest::to($parts[0], $keys);
        }
        if (\count($parts) < 2) {
            return null;
        }
        $field = $vocabulary->field($key, $parts[0]);
        $within = $field === null ? [] : Vocabulary::within($field);

        return \in_array($parts[1], $within, true) && \count($parts) === 2
            ? null
            : "\"{$parts[1]}\" is nothing in \"{$parts[0]}\"; ".Nearest::to($parts[1], $within);
    }

    /** @param  list<string>  $parts */
    private function parameter(array $parts, string $path): Expression
    {
        $parameters = $this->reader->vocabulary->parameters;
        $name = implode('.', $parts);
        if (! isset($parameters[$name])) {
            return $this->nowhere($path, "\"{$path}\" is not among the parameters; ".Nearest::to($name, array_keys($parameters)));
        }
        $this->reader->vocabulary->reads($name);

        return new Constant($parameters[$name]->value);
    }

    /** @param  list<string>  $parts */
    private function line(array $parts, string $path): Expression
    {
        $parts = [LineNames::FORMERLY[$parts[0] ?? ''] ?? $parts[0] ?? '', ...\array_slice($parts, 1)];
        $words = LineNames::ALL[$parts[0]] ?? null;

        return $words === null
            ? $this->nowhere($path, "\"{$path}\" is not known of a line; ".Nearest::to($parts[0], array_keys(LineNames::ALL)))
            : new LineValue($parts, $words, $this->reader->here->side);
    }

    /** @param  list<string>  $parts */
    private function step(array $parts, string $path): Expression
    {
        $name = (string) array_shift($parts);
        $key = $this->reader->stepKey($name);
        if ($key === null) {
            return $this->nowhere($path, '');
        }
        $id = Vocabulary::idOf($key);
        if ($this->mustChooseSide($key)) {
            return $this->nowhere($path, $this->chooseSide($id));
        }
        if ($this->reader->here->asking && $this->comesLater($key)) {
            return $this->nowhere($path, "the step \"{$id}\" comes later: what it records is not known when this one is asked for");
        }
        if ($parts === ['@at']) {
            return $this->time($key);
        }
        if ($parts === ['@by']) {
            return new FactBy($key, "\"{$this->reader->vocabulary->title($key)}\"");
        }
        $fault = $this->wrongFact($key, $parts);

        return $fault !== null ? $this->nowhere($path, $fault) : new FactValue($key, $parts, $this->words($key, $parts));
    }

    private function result(string $path): Expression
    {
        $parts = explode('.', $path);
        $vocabulary = $this->reader->vocabulary;
        $here = $this->reader->here;
        $own = $parts[0] === '$here';
        $key = $own ? $here->key() : $this->reader->stepKey($parts[1] ?? '');
        if ($key === null) {
            return $this->nowhere($path, $own ? 'there is no step here' : '');
        }
        $id = Vocabulary::idOf($key);
        if ($this->mustChooseSide($key)) {
            return $this->nowhere($path, $this->chooseSide($id));
        }
        [$rule, $name] = [...\array_slice($parts, $own ? 1 : 2), '', ''];
        if (! \in_array($rule, $vocabulary->rules($key), true)) {
            return $this->nowhere($path, "the step \"{$id}\" computes no \"{$rule}\"; ".Nearest::to($rule, $vocabulary->rules($key)));
        }
        $calculation = $vocabulary->calculation($key, $rule);
        $gives = Registry::standard()->has($calculation) ? Registry::standard()->about($calculation)->gives : [$name];
        if (! \in_array($name, $gives, true) || \count($parts) !== ($own ? 3 : 4)) {
            return $this->nowhere(
                $path,
                "{$calculation} gives no \"".implode('.', \array_slice($parts, $own ? 2 : 3)).'"; '.Nearest::to($name, $gives),
            );
        }
        if ($this->notYetComputed($key, $rule)) {
            return $this->nowhere($path, "\"{$rule}\" of the step \"{$id}\" is computed later: it is not known here");
        }

        return new ResultValue($key, $rule, $name, "\"{$vocabulary->title($key)}\"");
    }

    private function mustChooseSide(string $key): bool
    {
        return ! str_contains($key, '@') && $this->reader->vocabulary->sides($key) !== [];
    }

    private function chooseSide(string $id): string
    {
        return "the step \"{$id}\" is done on ".
            implode(', ', $this->reader->vocabulary->sides($id)).
            ": say on which, as in \"{$id}@{$this->reader->vocabulary->sides($id)[0]}\"";
    }

    private function comesLater(string $key): bool
    {
        $own = $this->reader->here->key();

        return $own !== null && $this->reader->vocabulary->comesLater($key, $own);
    }

    private function notYetComputed(string $key, string $rule): bool
    {
        $here = $this->reader->here;
        if ($key !== $here->key()) {
            return $this->comesLater($key);
        }

        return $here->asking || $this->reader->vocabulary->rulePosition($key, $rule) >= $here->position;
    }
}
