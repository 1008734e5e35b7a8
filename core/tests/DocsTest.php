<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Compile\Codes;
use Diastoma\Core\Procedure\Form\Forms;
use Diastoma\Core\Procedure\ProcedureFile;

require_once __DIR__.'/helpers.php';

/* What the pages for people say is what the program does. */

function page(string $file): string
{
    return (string) file_get_contents(dirname(__DIR__, 2)."/{$file}");
}

it('answers the example of the guide as the guide says', function () {
    [$file, $facts] = array_map(fn (string $name) => dirname(__DIR__, 2)."/examples/{$name}.json", ['push-on', 'push-on-facts']);
    [$code, $said] = console(['judge', $file, $facts]);
    expect($code)->toBe(0)->and(page('docs/write-a-procedure.md'))->toContain("```\n{$said}```");
    $skew = tempnam(sys_get_temp_dir(), 'facts');
    file_put_contents($skew, str_replace('"6:00", "value_mm": 1.2', '"6:00", "value_mm": 12', (string) file_get_contents($facts)));
    expect(console(['judge', $file, $skew])[1])->toContain(
        '12.0 mm out of square; up to 3.0 mm is allowed. Cut again with the guide.',
        'locked: "Squareness of the cut" must be good first.',
    );
    unlink($skew);
});

it('shows in the guide pieces of its example, and a first step that loads', function () {
    preg_match_all('/```json\n(.*?)```/s', page('docs/write-a-procedure.md'), $blocks);
    expect(ProcedureFile::read($blocks[1][0])->steps)->toHaveCount(1);
    $slip = str_replace('"want": true, "do": "Clean', '"wnat": true, "do": "Clean', $blocks[1][0]);
    expect(fn () => ProcedureFile::read($slip))->toThrow(
        Diastoma\Core\Refused::class,
        'line 13: steps[0].fields[0].wnat: "wnat" is not known here; did you mean "want"?',
    );
    $flat = fn (string $json): string => (string) preg_replace('/\s+/', '', $json);
    foreach (preg_split('/\n/', $blocks[1][1].$blocks[1][2]) ?: [] as $line) {
        expect($flat(page('examples/push-on.json')))->toContain(rtrim($flat($line), '{}[],'));
    }
});

it('lists each form in the formats as the registry describes it', function () {
    foreach (Forms::all() as $class) {
        $about = Forms::about($class);
        expect(page('docs/formats.md'))->toContain("| `{$about->example}` | {$about->gives} |");
        expect(json_decode($about->example, true))->toHaveKey($about->name);
    }
});

it('declares all verdicts and codes to which a calculation comes in its worked examples', function () {
    $seen = 0;
    foreach (glob(__DIR__.'/examples/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $example = json_decode($line, true);
            if (isset($example['out']['error'])) {
                continue;
            }
            $about = Registry::standard()->about($example['calc']);
            $out = calc($example['calc'], $example['in']);
            if (isset($out['verdict'])) {
                $seen++;
                expect($out['verdict'])->toBeIn($about->verdicts, "{$about->name} says {$out['verdict']}");
            }
            foreach ($about->codes as $list => $codes) {
                expect($about->gives)->toContain($list);
                foreach (array_filter((array) ($out[$list] ?? [])) as $held) {
                    $code = (string) (is_array($held) ? $held['code'] ?? $held['name'] : $held);
                    expect(Codes::fits($code, $codes) || (in_array($list, ['reasons'], true) && str_contains($code, ' ')))->toBeTrue(
                        "{$about->name}: {$list} holds {$code}",
                    );
                }
            }
        }
    }
    expect($seen)->toBeGreaterThan(100);
});
