<?php

declare(strict_types=1);

arch('the core knows no framework')->expect('Diastoma\Core')->not->toUse(['Illuminate', 'App', 'Laravel', 'Symfony', 'Dompdf']);

arch('the core reads no clock and keeps no session')
    ->expect('Diastoma\Core')
    ->not->toUse(['time', 'microtime', 'date', 'getenv', 'rand', 'mt_rand', 'random_int', 'dd', 'dump', 'var_dump']);

it('ships procedures that fit the published schema', function () {
    $validator = new Opis\JsonSchema\Validator;
    $schema = (string) file_get_contents(__DIR__.'/../data/schema/procedure.json');
    foreach ([...Diastoma\Core\Data::files('procedures'), ...Diastoma\Core\Data::files('methods')] as $file) {
        $result = $validator->validate(json_decode((string) file_get_contents(Diastoma\Core\Data::folder().'/'.$file)), $schema);
        expect($result->isValid())->toBeTrue($file.': '.json_encode($result->error()?->args()));
    }
});

/** Files outside the core that must not know what a procedure, a calculation or a kind of joint is called. */
function outside(): array
{
    $found = [];
    foreach (['app', 'resources/js'] as $folder) {
        $tree = new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/{$folder}", FilesystemIterator::SKIP_DOTS);
        foreach (new RecursiveIteratorIterator($tree) as $file) {
            $path = (string) $file;
            if (preg_match('/\.(php|tsx?)$/', $path) === 1 && preg_match('/\.test\.tsx?$|schema\.d\.ts$/', $path) !== 1) {
                $found[substr($path, strlen(dirname(__DIR__, 2)) + 1)] = (string) file_get_contents($path);
            }
        }
    }

    return $found;
}

/** @return list<string> ids of steps, of procedures, kinds of joints, names of calculations */
function names(): array
{
    $names = Diastoma\Core\Calculation\Registry::standard()->names();
    foreach (Diastoma\Core\Procedure\Procedure::shipped() as $procedure) {
        array_push($names, $procedure->id, $procedure->jointType, ...array_map(fn ($step) => $step->id, $procedure->steps));
    }

    return array_values(array_unique($names));
}

// Words that mean something else as well: a column, a word of the page. Of them only the use as a step is looked for.
const EVERYDAY = [
    'pipes',
    'code',
    'label',
    'gap',
    'cooling',
    'accept',
    'look',
    'shape',
    'face',
    'after',
    'pressure-test',
    'fill',
    'log',
    'restraints',
    'cut',
    'mark',
    'clean',
    'push',
    'seen',
    'bolts',
    'ready',
];

it('is named by nobody outside: no step, no procedure, no calculation, no kind of joint', function () {
    $found = [];
    foreach (outside() as $file => $text) {
        foreach (names() as $name) {
            $quoted = '[\'"`]'.preg_quote($name, '/').'(@[ab12])?[\'"`]';
            $asStep = "(steps|values|results|clocks)(\\?\\.)?\\[{$quoted}\\]|".
                "(step|next_step|->key|\\.key|->id|\\.id)\\(? *={0,3} *\\(?{$quoted}";
            if (preg_match('/'.(in_array($name, EVERYDAY, true) ? $asStep : $quoted).'/', $text) === 1) {
                $found[] = "{$file}: {$name}";
            }
        }
    }
    expect($found)->toBe([]);
});
