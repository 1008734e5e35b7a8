<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Judge;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;

/*
 * All that the core answers to its examples, to be held against what it answered before (BeforeTest). It proves nothing right;
 * it shows what a change changes. Where that is meant, `php core/tests/before.php` writes the answers anew, and the difference
 * is read before it is committed.
 */

/** What of a step is the same in every run, or is held by other tests. */
const NOT_SAID = [
    'id', 'side', 'kind', 'title', 'results', 'figure', 'model', 'live', 'usual', 'cautions', 'needs_good', 'by', 'fact_id', 'at', 'locked',
];

/** Longer lists are shown by their length, ends and middle. */
const SHOWN_WHOLE = 12;

function shortened(mixed $value): mixed
{
    if (is_array($value) && array_is_list($value) && count($value) > SHOWN_WHOLE) {
        $last = count($value) - 1;
        $value = ['of' => $last + 1, 0 => $value[0], intdiv($last, 2) => $value[intdiv($last, 2)], $last => $value[$last]];
    }

    return is_array($value) ? array_map(shortened(...), $value) : (is_float($value) ? (float) sprintf('%.9g', $value) : $value);
}

/** @return iterable<string, array<string, mixed>> what is asked => the whole answer, or the whole refusal */
function calculated(): iterable
{
    foreach (glob(__DIR__.'/examples/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $i => $line) {
            ['calc' => $calc, 'in' => $in] = json_decode($line, true, 64, JSON_THROW_ON_ERROR);
            try {
                $answer = Registry::standard()->forgetful()->run($calc, $in);
            } catch (Refused $refused) {
                $answer = ['refused' => $refused->faults];
            }
            yield $calc.' '.basename($file, '.jsonl').':'.($i + 1) => shortened($answer);
        }
    }
}

/** @return array<string, mixed> */
function wholeOf(Judgement $judgement): array
{
    $all = $judgement->toArray(UnitSystem::Metric, new DateTimeZone('Europe/Vienna'));
    $steps = array_map(
        fn (array $s) => array_filter(
            array_diff_key($s, array_flip(NOT_SAID)),
            fn (mixed $v) => $v !== null && $v !== [] && $v !== false && ! $v instanceof stdClass,
        ),
        $all['steps'],
    );

    $rest = array_diff_key($all, array_flip(['reasons', 'procedure', 'judged_at']));

    return shortened(['steps' => array_column($steps, null, 'key')] + $rest);
}

/** @return iterable<string, array<string, mixed>> example => what is judged of it, and after each fact what comes next */
function judgedWhole(): iterable
{
    foreach (Example::shipped() as $id => $example) {
        foreach ([null, ...array_column($example->others(), 'name')] as $name) {
            yield "{$id}, ".($name ?? 'good') => wholeOf($example->judged($name));
        }
        $facts = $example->facts();
        $times = [];
        foreach (array_keys($facts) as $i) {
            // What comes in parts is asked about after each of them.
            $nth = $times[$facts[$i]->step] = ($times[$facts[$i]->step] ?? 0) + 1;
            $so = Judge::judge($example->procedure, array_slice($facts, 0, $i + 1), $example->line(), $facts[$i]->at);
            yield "{$id}, after {$facts[$i]->step}".($nth > 1 ? " {$nth}" : '') => [
                'next' => $so->next,
                'verdict' => $so->verdict->value,
                'done' => "{$so->done} of {$so->total}",
                'clocks' => $so->clocks,
                'locks' => array_filter(array_map(fn ($s) => $s->lock?->text, $so->steps)),
                'open' => array_keys(array_filter($so->steps, fn ($s) => $s->fact !== null && $s->verdict->value === 'open')),
            ];
        }
    }
}

/** @return array<string, callable(): iterable<string, array<string, mixed>>> */
function answers(): array
{
    return ['calculations' => calculated(...), 'judgements' => judgedWhole(...)];
}

if (realpath($_SERVER['SCRIPT_FILENAME'] ?? '') === __FILE__) {
    require __DIR__.'/../../vendor/autoload.php';
    foreach (answers() as $name => $all) {
        $out = fopen(__DIR__."/before/{$name}.jsonl", 'w');
        foreach ($all() as $asked => $answer) {
            fwrite($out, json_encode([$asked => $answer], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");
        }
        fclose($out);
    }
}
