#!/usr/bin/env php
<?php

declare(strict_types=1);

/*
 * Would the core's tests notice? Each change of core/tests/mutants.php, and as many random ones as asked for, is made in a copy
 * and the core tests are run there until one fails. Part of no ordinary run: a change takes up to a minute.
 *
 *   bin/test mutants [how many random ones] [seed]
 *   php bin/lib/mutants.php check    only whether what they change still stands in the core, once
 */

const FOLDERS = ['Procedure', 'Instrument', 'Round', 'PressureTest'];

/** One operator for another, as a slip of the hand or of the head would. */
const SLIPS = [
    '<' => '<=',
    '<=' => '<',
    '>' => '>=',
    '>=' => '>',
    '===' => '!==',
    '!==' => '===',
    '&&' => '||',
    '||' => '&&',
    '+' => '-',
    '-' => '+',
    '*' => '/',
    '/' => '*',
    'true' => 'false',
    'false' => 'true',
    'min' => 'max',
    'max' => 'min',
    'Open' => 'Good',
    'Bad' => 'Close',
    '??' => '?:',
];

function failed(string $why): never
{
    fwrite(STDERR, "{$why}\n");
    exit(1);
}

$root = dirname(__DIR__, 2);
$mutants = [];
foreach (require "{$root}/core/tests/mutants.php" as $name => [$file, $was, $now]) {
    $text = (string) file_get_contents("{$root}/core/src/{$file}");
    $times = substr_count($text, $was);
    $times === 1 || failed("\"{$name}\": what it changes stands {$times} times in {$file}.");
    $mutants[] = [
        'name' => $name,
        'file' => $file,
        'was' => $text,
        'text' => str_replace($was, $now, $text),
        'line' => substr_count(strstr($text, $was, true) ?: '', "\n") + 1,
    ];
}
if (($argv[1] ?? '') === 'check') {
    exit(0);
}
array_push($mutants, ...random($root, (int) ($argv[1] ?? 0), (int) ($argv[2] ?? 1)));

$workers = array_map(fn (int $n) => copyOf($root, $n), range(1, max(1, (int) shell_exec('nproc'))));
// What is killed by nothing tells nothing.
$text = (string) file_get_contents("{$root}/core/src/Compare.php");
$unchanged = ['name' => 'nothing is changed', 'was' => $text, 'text' => $text, 'file' => 'Compare.php', 'line' => 1];
$survived = tried([$unchanged], $workers) === [] ? failed('The tests fail by themselves.') : tried($mutants, $workers);
array_map(fn (string $folder) => shell_exec('rm -rf '.escapeshellarg($folder)), $workers);
$killed = count($mutants) - count($survived);
printf("%d of %d killed, %.0f %%\n", $killed, count($mutants), 100 * $killed / max(1, count($mutants)));
foreach ($survived as $m) {
    echo "  survived: core/src/{$m['file']}:{$m['line']} {$m['name']}\n";
}
exit($survived === [] ? 0 : 1);

/** @return list<array{name: string, file: string, was: string, text: string, line: int}> */
function random(string $root, int $many, int $seed): array
{
    $places = [];
    foreach (FOLDERS as $folder) {
        $tree = new RecursiveDirectoryIterator("{$root}/core/src/{$folder}", FilesystemIterator::SKIP_DOTS);
        foreach (new RecursiveIteratorIterator($tree) as $file) {
            $relative = substr((string) $file, strlen("{$root}/core/src/"));
            foreach (PhpToken::tokenize((string) file_get_contents((string) $file)) as $token) {
                if (isset(SLIPS[$token->text]) && ! $token->is([T_COMMENT, T_DOC_COMMENT, T_CONSTANT_ENCAPSED_STRING])) {
                    $places[] = [$relative, $token->pos, $token->text, $token->line];
                }
            }
        }
    }
    mt_srand($seed);
    shuffle($places);

    return array_map(function (array $place) use ($root): array {
        [$file, $at, $was, $line] = $place;
        $text = (string) file_get_contents("{$root}/core/src/{$file}");

        return [
            'name' => "{$was} for ".SLIPS[$was],
            'file' => $file,
            'was' => $text,
            'text' => substr_replace($text, SLIPS[$was], $at, strlen($was)),
            'line' => $line,
        ];
    }, array_slice($places, 0, $many));
}

/** A checkout to change, its packages shared. */
function copyOf(string $root, int $n): string
{
    $folder = sys_get_temp_dir().'/mutants-'.getmypid()."-{$n}";
    mkdir($folder);
    foreach (
        ['cp -al vendor', 'cp -r core', 'cp -r examples', 'cp -r docs', 'cp -r tests', 'cp phpunit.xml', 'cp composer.json'] as $copy
    ) {
        [$command, $what] = [substr($copy, 0, (int) strrpos($copy, ' ')), substr($copy, (int) strrpos($copy, ' ') + 1)];
        shell_exec("{$command} ".escapeshellarg("{$root}/{$what}").' '.escapeshellarg("{$folder}/{$what}"));
    }

    return $folder;
}

/**
 * @param  list<array{name: string, file: string, was: string, text: string, line: int}>  $mutants
 * @param  list<string>  $workers  folders
 * @return list<array{name: string, file: string, was: string, text: string, line: int}> that no test noticed
 */
function tried(array $mutants, array $workers): array
{
    $survived = [];
    $running = [];
    $waiting = $mutants;
    while ($waiting !== [] || $running !== []) {
        foreach ($workers as $folder) {
            if (! isset($running[$folder]) && $waiting !== []) {
                $mutant = array_shift($waiting);
                $running[$folder] = [$mutant, begun($folder, $mutant)];
            }
        }
        usleep(100_000);
        foreach ($running as $folder => [$mutant, $process]) {
            $status = proc_get_status($process);
            if ($status['running']) {
                continue;
            }
            unset($running[$folder]);
            file_put_contents("{$folder}/core/src/{$mutant['file']}", $mutant['was']);
            $noticed = $status['exitcode'] !== 0;
            $survived = $noticed ? $survived : [...$survived, $mutant];
            fwrite(STDERR, ($noticed ? 'killed   ' : 'SURVIVED ')."core/src/{$mutant['file']}:{$mutant['line']} {$mutant['name']}\n");
        }
    }

    return $survived;
}

/** @return list<string> quick ones first; how the code is built up says nothing of what it computes */
function testFiles(string $folder): array
{
    $files = array_map(fn (string $path) => 'core/tests/'.basename($path), glob("{$folder}/core/tests/*Test.php") ?: []);
    $slow = [
        'core/tests/UnitsTest.php',
        'core/tests/PropertiesTest.php',
        'core/tests/FusionPropertiesTest.php',
        'core/tests/ConfidenceTest.php',
        'core/tests/HostileInputTest.php',
        'core/tests/MeltTest.php',
        'core/tests/LogsTest.php',
    ];

    return [...array_values(array_diff($files, $slow, ['core/tests/ArchitectureTest.php'])), ...$slow];
}

/**
 * @param  array{name: string, file: string, was: string, text: string, line: int}  $mutant
 * @return resource
 */
function begun(string $folder, array $mutant)
{
    file_put_contents("{$folder}/core/src/{$mutant['file']}", $mutant['text']);
    $each = 'for f in "$@"; do '.escapeshellarg(PHP_BINARY).' -d pcov.enabled=0 vendor/bin/pest "$f" --bail --compact || exit 1; done';
    $process = proc_open(
        ['timeout', '300', 'sh', '-c', $each, 'sh', ...testFiles($folder)],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
        $pipes,
        $folder,
    );

    return is_resource($process) ? $process : throw new RuntimeException('Tests cannot be started');
}
