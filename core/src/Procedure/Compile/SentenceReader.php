<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Expression\SideName;
use Diastoma\Core\Procedure\Place;
use Diastoma\Core\Procedure\Sentence;
use Diastoma\Core\Units\Display;

/** Splits a sentence into text and places, and resolves each place. */
final readonly class SentenceReader
{
    /** First word of a place => first words of the path that it stands for. */
    private const ROOTS = [
        'fact' => '$fact',
        'step' => '$step',
        'results' => '$result',
        'here' => '$here',
        'param' => '$param',
        'line' => '$line',
    ];

    public function __construct(private Reader $reader)
    {
    }

    public function read(string $text): Sentence
    {
        $parts = [];
        foreach (preg_split(Sentence::PLACE, $text) ?: [] as $i => $plain) {
            $place = $this->places($text)[$i - 1] ?? null;
            if ($place !== null) {
                $parts[] = $this->place($place['path'], $place['how']);
            }
            if (preg_match('/[{}]/', $plain) === 1) {
                $this->reader->fault(Nearest::quoted($plain).' holds a brace that is no place of a value: wanted is {path} or {path|how}');
            }
            if ($plain !== '') {
                $parts[] = $plain;
            }
        }

        return new Sentence($parts);
    }

    /** @return list<array{path: string, how: string}> */
    private function places(string $text): array
    {
        preg_match_all(Sentence::PLACE, $text, $found, PREG_SET_ORDER);

        return array_map(fn (array $m) => ['path' => $m[1], 'how' => $m[2] ?? ''], $found);
    }

    private function place(string $path, string $how): Place
    {
        $name = substr((string) strrchr('.'.$path, '.'), 1);
        if (str_contains($how, '.')) {
            $this->unitMustFit($name, $how);
        }

        return new Place($name, $how, $this->value($path), $path);
    }

    private function value(string $path): ?Expression
    {
        [$root, $rest] = [...explode('.', $path, 2), ''];
        $here = $this->reader->here;
        if (\in_array($root, $here->moment, true)) {
            return null;
        }
        if ($root === 'side' && $rest === '') {
            return new SideName($here->side);
        }
        if ($root === 'result' && $here->rule !== null) {
            return $this->reader->path("\$here.{$here->rule}.{$rest}");
        }
        if (! isset(self::ROOTS[$root])) {
            return $this->reader->unresolved(
                "{{$path}}",
                "{{$path}} leads nowhere; ".
                    Nearest::to($root, [...array_keys(self::ROOTS), 'side', ...$here->rule === null ? [] : ['result'], ...$here->moment]),
            );
        }

        return $this->reader->path(self::ROOTS[$root].'.'.$rest);
    }

    private function unitMustFit(string $name, string $how): void
    {
        $wanted = strtok($how, '.');
        [, $own] = Display::unitOf($name);
        if ($own === null || ! isset($own->quantity->units()[$wanted])) {
            $this->reader->fault("\"{$name}\" cannot be shown in {$wanted}");
        }
    }
}
