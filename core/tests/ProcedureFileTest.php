<?php

declare(strict_types=1);

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Judgement;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\ProcedureFile;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

require_once __DIR__.'/helpers.php';

/* The file as somebody wrote it, and the text as it was frozen. */

/** @return list<string> what is said of a file */
function saidOfFile(string $text): array
{
    try {
        ProcedureFile::read($text);
    } catch (Refused $refused) {
        return array_column($refused->faults, 'message');
    }

    return [];
}

it('names the line of each fault, and all of them in the order of the file', function () {
    $file = (string) file_get_contents(Data::folder().'/procedures/pvc-spigot-socket.json');
    expect(saidOfFile($file))->toBe([]);
    $lines = explode(
        "\n",
        str_replace(
            ['"calc": "spigot-chamfer",', '"after": ["chamfer"]', '{result.widest}'],
            ['"calc": "spigot-chamfr",', '"after": ["chamfre"]', '{result.wides}'],
            $file,
        ),
    );
    $wanted = [];
    foreach ($lines as $i => $line) {
        foreach (
            [
                'spigot-chamfr' => 'is no calculation',
                'chamfre' => 'is no earlier step',
                '{result.wides}' => 'joint-gap-fit gives no "wides"',
            ] as $slip => $said
        ) {
            if (str_contains($line, $slip)) {
                $wanted[] = [$i + 1, $said];
            }
        }
    }
    $said = saidOfFile(implode("\n", $lines));
    expect(count($wanted))->toBe(7)->and($said)->toHaveCount(7);
    foreach ($wanted as $n => [$line, $sentence]) {
        expect($said[$n])->toStartWith("line {$line}: ")->toContain($sentence);
    }
});

it('says on which line a file stops being JSON', function (string $text, string $said) {
    expect(saidOfFile($text)[0])->toContain($said);
})->with([
    'a comma left out' => ["{\"id\": \"a\",\n \"version\": \"1\"\n \"title\": \"x\"}", 'line 3: here the file stops being JSON'],
    'a bracket left open' => ["{\"id\": \"a\",\n\"steps\": [", 'line 2: here the file stops being JSON'],
    'something behind the end' => ["{\"id\": \"a\"}\n\n}", 'line 3: here the file stops being JSON'],
    'nothing' => ['', 'line 1: here the file stops being JSON'],
    'a list' => ['[]', 'line 1: a procedure is a JSON object'],
    'another encoding' => ["{\"id\": \"a\",\n \"title\": \"Elektroschwei\xDFen\"}", 'line 2: the file is not in UTF-8'],
    'deep nesting' => [str_repeat('[', 5000).str_repeat(']', 5000), 'Things stand more than 32 deep'],
    'deep in a step' => [
        '{"steps": [{"when": '.str_repeat('[{"any": ', 40).'[]'.str_repeat('}]', 40).'}]}',
        'Things stand more than 32 deep',
    ],
    'ten megabytes' => ['{"id": "'.str_repeat('a', 10_000_000).'"}', 'The file is larger than 1 MB'],
]);

it('reads a file that begins with the mark of its encoding', function () {
    expect(saidOfFile("\xEF\xBB\xBF".file_get_contents(Data::folder().'/procedures/pvc-spigot-socket.json')))->toBe([]);
});

it('finds the line of the innermost thing that there is', function (string $path, int $line) {
    $lines = Diastoma\Core\Procedure\Compile\Lines::of("{\n\"a\": {\"b\": 1,\n\"c\": [1,\n{\"d\": \"x\\\"}\"}]},\n\"e\\u0041\": null}");
    expect($lines->broken)->toBeNull()->and($lines->at($path))->toBe($line);
})->with([
    ['a', 2],
    ['a.b', 2],
    ['a.c', 3],
    ['a.c[0]', 3],
    ['a.c[1]', 4],
    ['a.c[1].d', 4],
    ['a.c[1].z.y', 4],
    ['a.c[7]', 3],
    ['eA', 5],
    ['gone', 1],
    ['', 1],
]);

it('checks a file at the command line', function () {
    $file = Data::folder().'/procedures/pvc-spigot-socket.json';
    $slip = tempnam(sys_get_temp_dir(), 'slip');
    file_put_contents($slip, str_replace('"joint_type"', '"joint_typ"', (string) file_get_contents($file)));
    expect(console(['check', $file]))
        ->toBe([0, "pvc-spigot-socket 1.11: 12 steps, nothing wrong.\n", ''])
        ->and(console(['check', $slip]))
        ->toMatchArray([
            0 => 2,
            1 => "line 1: joint_type: is missing.\nline 7: joint_typ: \"joint_typ\" is not known here; did you mean \"joint_type\"?\n",
        ])
        ->and(console(['check'])[0])
        ->toBe(64)
        ->and(console(['check', "{$slip}.gone"])[2])
        ->toContain('cannot be read')
        ->and(console(['forms'])[1])
        ->toContain('{"$first": ["$fact.x", "$param.y"]}');
    unlink($slip);
});

/** One joint by a text as it was frozen, unchanged since. */
function judgedByFrozen(string $schema, array $change = []): Judgement
{
    $text = array_replace_recursive((array) json_decode((string) file_get_contents(__DIR__."/frozen/{$schema}.json"), true), $change);

    return judged(Procedure::frozen($text, Procedure::hash($text)), couplerFactsOfFirstSchema(), ['closing_piece' => false]);
}

it('judges by a text of schema 1 as it did on the day on which it was frozen', function () {
    $judgement = judgedByFrozen('schema-1');
    expect($judgement->procedure->hash)
        ->toBe('adaa08aa4cad319fa72d1bb1832744581af286f7ed76311ee6b7668d51b03950')
        ->and($judgement->verdict)
        ->toBe(Verdict::Good, saying($judgement))
        ->and($judgement->done)
        ->toBe(24)
        ->and($judgement->total)
        ->toBe(24)
        ->and($judgement->clocks)
        ->toBe([
            'clamps_off' => '2026-05-04T07:37:34Z',
            'handle_from' => '2026-05-04T07:37:34Z',
            'backfill_from' => '2026-05-04T07:52:34Z',
            'test_from' => '2026-05-04T08:22:34Z',
        ]);
    $said = array_column($judgement->toArray()['steps'], 'reasons', 'key');
    expect(array_column($said['od@a'], 'text'))
        ->toBe(['110.35 mm at 23 °C, inside 110.0 mm to 110.7 mm.'])
        ->and(array_column($said['fusion'], 'text'))
        ->toBe([
            'Supply 231 V.',
            'Winding 1.59 Ω, inside 1.44 Ω to 1.86 Ω.',
            '98.9 % of the energy in 154 s; no event.',
            'Peeled surface fresh.',
        ]);
});

it('keeps what an older text cannot resolve open, where it judges and nowhere else', function () {
    $at = array_search(
        'scrape',
        array_column(json_decode((string) file_get_contents(__DIR__.'/frozen/schema-1.json'), true)['steps'], 'id'),
        true,
    );
    $judgement = judgedByFrozen('schema-1', ['steps' => [$at => ['judge' => [['calc' => 'scrape-deepth']]]]]);
    $bad = array_keys(array_filter($judgement->steps, fn ($s) => $s->fact !== null && $s->verdict !== Verdict::Good));
    expect($judgement->verdict)
        ->toBe(Verdict::Open)
        ->and($bad)
        ->toContain('scrape@a', 'scrape@b')
        ->and(array_diff($bad, ['scrape@a', 'scrape@b', 'look']))
        ->toBe([])
        ->and($judgement->steps['scrape@a']->reasons[0]->text->in(UnitSystem::Metric))
        ->toStartWith("This step cannot be judged: steps[{$at}].judge[0].calc: \"scrape-deepth\" is no calculation");
});

it('leaves one step open in which something breaks, and judges the others', function () {
    $registry = new Diastoma\Core\Calculation\Registry(['guarded-verdict' => BrokenCalculation::class]);
    $fields = [['key' => 'gap_mm', 'label' => 'Gap', 'quantity' => 'length']];
    $rule = ['calc' => 'guarded-verdict', 'in' => ['value' => '$fact.gap_mm', 'limit_max' => 3, 'u_expanded' => 0]];
    $procedure = little([
        ['id' => 'one', 'kind' => 'number', 'title' => 'One', 'fields' => $fields, 'judge' => [$rule]],
        ['id' => 'two', 'kind' => 'number', 'title' => 'Two', 'fields' => $fields],
    ]);
    $facts = array_map(fn (string $step) => new Diastoma\Core\Procedure\Fact($step, $step, ['gap_mm' => 1.0], new DateTimeImmutable(DAY)), [
        'one',
        'two',
    ]);
    $judgement = Diastoma\Core\Procedure\Judge::judge($procedure, $facts, [], new DateTimeImmutable(DAY), $registry);
    expect($judgement->steps['one']->verdict)->toBe(Verdict::Open)->and($judgement->steps['two']->verdict)->toBe(Verdict::Good)
        ->and($judgement->steps['one']->reasons[0]->text->in(UnitSystem::Metric))->toBe('This step cannot be judged: the table is gone.');
});

it('leaves open what a calculation could judge and did not', function (?string $said, Verdict $wanted) {
    MuteCalculation::$says = $said;
    $registry = new Diastoma\Core\Calculation\Registry(['guarded-verdict' => MuteCalculation::class]);
    $procedure = little([
        [
            'id' => 'one',
            'kind' => 'number',
            'title' => 'One',
            'fields' => [['key' => 'gap_mm', 'label' => 'Gap', 'quantity' => 'length']],
            'judge' => [['calc' => 'guarded-verdict', 'in' => ['value' => '$fact.gap_mm', 'limit_max' => 3, 'u_expanded' => 0]]],
        ],
    ]);
    $facts = [new Diastoma\Core\Procedure\Fact('one', 'one', ['gap_mm' => 1.0], new DateTimeImmutable(DAY))];
    expect(Diastoma\Core\Procedure\Judge::judge($procedure, $facts, [], new DateTimeImmutable(DAY), $registry)->verdict)->toBe($wanted);
})->with([[null, Verdict::Open], ['gut', Verdict::Open], ['good', Verdict::Good], ['bad', Verdict::Bad]]);

#[Diastoma\Core\Calculation\Calculates('guarded-verdict', 'Mute?', Diastoma\Core\Calculation\Family::Measuring, ['verdict'], 'this test')]
final class MuteCalculation
{
    public static ?string $says = null;

    public function __invoke(
        #[Diastoma\Core\Calculation\Field\Anything('value')] mixed $value,
        #[Diastoma\Core\Calculation\Field\Anything('limit_max')] mixed $most,
        #[Diastoma\Core\Calculation\Field\Anything('u_expanded')] mixed $u,
    ): array {
        return ['verdict' => self::$says];
    }
}

#[Diastoma\Core\Calculation\Calculates('guarded-verdict', 'Broken?', Diastoma\Core\Calculation\Family::Measuring, ['verdict'], 'this test')]
final class BrokenCalculation
{
    public function __invoke(
        #[Diastoma\Core\Calculation\Field\Anything('value')] mixed $value,
        #[Diastoma\Core\Calculation\Field\Anything('limit_max')] mixed $most,
        #[Diastoma\Core\Calculation\Field\Anything('u_expanded')] mixed $u,
    ): array {
        throw new RuntimeException('the table is gone');
    }
}
