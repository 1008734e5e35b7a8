<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Pipe\Material;
use Diastoma\Core\PressureTest\Medium;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Suit;
use Diastoma\Core\Refused;

/**
 * From the text of a procedure to what is judged by. Whatever is misspelt, leads nowhere or can never speak is named, all
 * of it at once; of a text that was frozen earlier it is kept, and open where it judges.
 *
 * @phpstan-import-type SuitText from AsWritten
 */
final readonly class Compiler
{
    private function __construct(private Faults $faults, private bool $isFrozen)
    {
    }

    /**
     * @param  array<string, mixed>  $text  steps of the library and blocks not yet written out
     *
     * @throws Refused every fault with the path to its place
     */
    public static function compile(array $text): Procedure
    {
        $written = StepLibrary::standard()->write($text);
        $faults = new Faults($written->origins, $written->faults);
        $procedure = (new self($faults, false))->procedure($written->text, Procedure::hash($written->text));
        $faults->refuse();

        return $procedure;
    }

    /** @param  array<string, mixed>  $text  written out when it was frozen */
    public static function frozen(array $text, string $hash): Procedure
    {
        return (new self(new Faults, true))->procedure($text, $hash);
    }

    /** @param  array<string, mixed>  $text */
    private function procedure(array $text, string $hash): Procedure
    {
        $shape = Shape::of($text, $this->faults);
        $parameters = [];
        foreach ($shape['parameters'] ?? [] as $name => $parameter) {
            $parameters[$name] = new Parameter(
                (string) $name,
                $parameter['value'],
                $parameter['label'] ?? (string) $name,
                $parameter['source'],
                $parameter['certainty'],
            );
        }
        $steps = $shape['steps'] ?? [];
        $vocabulary = new Vocabulary($steps, $parameters, $this->isFrozen);
        $reader = new Reader($vocabulary, $this->faults, new Here, '');
        $compiled = [];
        foreach (\is_array($text['steps'] ?? null) ? array_values($text['steps']) : [] as $i => $written) {
            $at = new StepCompiler($reader->below("steps[{$i}]"));
            array_push($compiled, ...(isset($steps[$i]) ? $at->onEachSide($steps[$i]) : [$at->unreadable($written)]));
        }
        $place = $shape['place'] ?? 'in-line';
        if (($place === 'line' || ($shape['daily'] ?? false)) && ($shape['family'] ?? '') !== 'stretch') {
            $reader->below($place === 'line' ? 'place' : 'daily')->fault('is of no use here, only where family is stretch');
        }
        $telling = new TellsCompiler($reader->forShow());
        $tells = $this->isFrozen && ! isset($shape['tells']) ? $telling->compileOlder($shape['clocks'] ?? [], $place)
            : $telling->compile($shape['tells'] ?? [], $shape['clocks'] ?? [], $place);
        // Where something is misspelt, what would have read a parameter may be that.
        foreach ($this->faults->under('') === null ? $vocabulary->unread() : [] as $name) {
            $reader->below('parameters')->below($name)->remark('is read by nothing: a limit that is not used says what is not so');
        }

        return new Procedure(
            id: $shape['id'] ?? '',
            version: $shape['version'] ?? '',
            title: $shape['title'] ?? '',
            jointType: $shape['joint_type'] ?? '',
            hash: $hash,
            family: $shape['family'] ?? 'joint',
            place: $place,
            school: $shape['school'] ?? '',
            language: $shape['language'] ?? Procedure::ENGLISH,
            steps: $compiled,
            parameters: $parameters,
            tells: $tells,
            text: $text,
            suits: $this->suits($shape['suits'] ?? [], $reader->below('suits')),
            speakOnly: self::speakOnly($steps, (string) json_encode($shape, JSON_UNESCAPED_SLASHES)),
            asked: self::asked((string) json_encode($shape, JSON_UNESCAPED_SLASHES)),
            medium: Medium::from($shape['medium'] ?? Medium::Water->value),
            daily: $shape['daily'] ?? false,
        );
    }

    /**
     * @param  array<int, array{id: string, guide?: array<mixed>, judge?: array<mixed>}>  $steps
     * @param  string  $text  all of it
     * @return list<string> ids of steps whose guides are for the eye: the step judges nothing, and nothing else reads their results
     */
    private static function speakOnly(array $steps, string $text): array
    {
        $speak = array_filter(
            $steps,
            fn (array $s) => ($s['guide'] ?? []) !== [] && ($s['judge'] ?? []) === []
                && preg_match('/results?\.'.preg_quote($s['id'], '/').'[@.]/', $text) !== 1,
        );

        return array_values(array_map(fn (array $s) => $s['id'], $speak));
    }

    /** @return list<string> names of the line that stand in it, as paths or in sentences */
    private static function asked(string $text): array
    {
        preg_match_all('/[${]line\.([a-z_0-9]+)/', $text, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * @param  array<int, SuitText>  $suits
     * @return list<Suit>
     */
    private function suits(array $suits, Reader $reader): array
    {
        $read = [];
        foreach ($suits as $i => $suit) {
            $at = $reader->below("[{$i}]");
            $isFigure = \in_array($suit['of'], ['dn_mm', 'sdr'], true);
            if ($isFigure ? isset($suit['in']) : isset($suit['min']) || isset($suit['max'])) {
                $at->fault($isFigure ? 'is a figure: give min, max or both, not in' : 'is a word: give in, not min or max');
            }
            if (! isset($suit['in']) && ! isset($suit['min']) && ! isset($suit['max'])) {
                $at->fault('says nothing: give '.($isFigure ? 'min, max or both' : 'in'));
            }
            if (isset($suit['min'], $suit['max']) && $suit['min'] > $suit['max']) {
                $at->below('min')->fault("{$suit['min']} is more than max, {$suit['max']}: no pipe suits");
            }
            $words = $suit['of'] === 'material' ? Material::names() : (LineNames::WORDS[$suit['of']] ?? []);
            foreach ($isFigure ? [] : $suit['in'] ?? [] as $j => $word) {
                if (! \in_array($word, $words, true)) {
                    $at->below("in[{$j}]")->fault("\"{$word}\" is no {$suit['of']} that is known here; ".Nearest::to($word, $words));
                }
            }
            $read[] = new Suit(
                $suit['of'],
                array_values($suit['in'] ?? []),
                isset($suit['min']) ? (float) $suit['min'] : null,
                isset($suit['max']) ? (float) $suit['max'] : null,
                $suit['why'],
            );
        }

        return $read;
    }
}
