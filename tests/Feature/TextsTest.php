<?php

use Illuminate\Support\Arr;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Lang;
use Illuminate\Support\Str;

/** @return array<string, string> texts by file and name */
function textsOf(string $language): array
{
    $texts = [];
    foreach (File::files(lang_path($language)) as $file) {
        $texts += Arr::dot([$file->getBasename('.php') => require $file->getPathname()]);
    }

    return $texts;
}

/** @return list<string> what the code asks for: "pack.mark.{" where the end is known only at run time */
function textsAskedFor(): array
{
    $asked = [];
    foreach ([...File::allFiles(app_path()), ...File::allFiles(resource_path('views'))] as $file) {
        // A view goes by a name of the same shape.
        preg_match_all('/(?<!view\()(?<!@include\()[\'"]((?:refused|pack|called|fields)\.[A-Za-z0-9.-]+)/', $file->getContents(), $found);
        array_push($asked, ...$found[1]);
    }

    return array_values(array_unique($asked));
}

/** @return list<string> words of a sentence that stand in the code itself */
function sentencesIn(string $code): array
{
    $found = [];
    $depth = 0;
    $isAttribute = $isFault = false;
    foreach (PhpToken::tokenize($code) as $token) {
        if ($token->is(T_ATTRIBUTE)) {
            [$isAttribute, $depth] = [true, 0];
        }
        if ($isAttribute) {
            $depth += substr_count('[', $token->text[0]) - substr_count(']', $token->text[0]) + ($token->is(T_ATTRIBUTE) ? 1 : 0);
            $isAttribute = $depth > 0;

            continue;
        }
        // A fault of the program is read by who mends it.
        $isFault = match (true) {
            $token->is(T_NAME_FULLY_QUALIFIED) => in_array($token->text, ['\LogicException', '\RuntimeException'], true),
            $token->text === ';' => false,
            default => $isFault,
        };
        $isText = $token->is([T_CONSTANT_ENCAPSED_STRING, T_ENCAPSED_AND_WHITESPACE]);
        if ($isText && ! $isFault && preg_match('/(?<![-\w])[A-Za-z]{2,},? [a-z]+,? [a-z]{2,}/', $token->text) === 1) {
            $found[] = $token->text;
        }
    }

    return $found;
}

it('has every text of the server in its catalogue, and no other', function () {
    $texts = array_keys(textsOf('en'));
    $asked = textsAskedFor();
    // What is asked for by a word of the data.
    $byData = ['called.', 'fields.', 'given.', 'journal.', 'pack.book.sealOf.', 'pack.certainty.', 'pack.mark.'];
    expect(array_values(array_filter($texts, fn ($key) => ! in_array($key, $asked, true) && ! Str::startsWith($key, $byData))))
        ->toBe([])
        ->and(array_values(array_filter($asked, fn ($key) => ! str_ends_with($key, '.') && ! in_array($key, $texts, true))))
        ->toBe([]);
});

it('has a sentence for each word that is noted in the journal, and no other', function () {
    $noted = [];
    foreach ([...File::allFiles(app_path()), new SplFileInfo(base_path('routes/api.php'))] as $file) {
        $code = (string) file_get_contents($file->getPathname());
        preg_match_all("/Journal::note\\((?:[^;]*? \\? )?'([a-z-]+)'(?: : '([a-z-]+)')?|'journal:([a-z-]+)'/", $code, $found);
        array_push($noted, ...$found[1], ...$found[2], ...$found[3]);
    }
    $noted = array_values(array_unique(array_filter($noted)));
    sort($noted);
    $sentences = array_map(fn (string $key) => substr($key, 8), preg_grep('/^journal\./', array_keys(textsOf('en'))) ?: []);
    sort($sentences);
    expect($sentences)->toBe($noted);
});

it('keeps sentences out of the code', function () {
    expect(sentencesIn('<?php throw Refused::field("file", "The file is no picture.");'))
        ->toHaveCount(1)
        ->and(sentencesIn('<?php #[Said(["The file is no picture."])] class A {}'))
        ->toBe([])
        ->and(sentencesIn('<?php throw new \LogicException("No such thing here");'))
        ->toBe([]);
    foreach (File::allFiles(app_path()) as $file) {
        // Statements of the database, policies of the browser, the face of the letters, what the framework says.
        $said = array_filter(sentencesIn($file->getContents()), fn ($text) => preg_match(
            '/SELECT|LEAST\(|MIN\(| AS |tests as good|src \'self\'|^.(private, max-age|Atkinson|This action is unauthorized)|style=|svg/',
            $text,
        ) !== 1);
        expect(array_values($said))->toBe([], $file->getRelativePathname());
    }
});

it('answers in the language of the reader where there is one, else in English', function () {
    $folder = sys_get_temp_dir().'/'.Str::uuid();
    File::copyDirectory(lang_path(), $folder);
    File::ensureDirectoryExists("{$folder}/la");
    File::put("{$folder}/la/refused.php", '<?php return ["nothingHere" => "Nihil hic est."];');
    $this->app->useLangPath($folder);
    Lang::getLoader()->addPath($folder);
    $answer = fn (string $languages) => $this->as('engineer')
        ->getJson('/api/v1/lines/nowhere', ['Accept-Language' => $languages])
        ->assertNotFound()
        ->json('title');
    expect($answer('la, en;q=0.5'))->toBe('Nihil hic est.')
        ->and($answer('fi'))->toBe('There is nothing here by that name.')
        ->and($answer(''))->toBe('There is nothing here by that name.');
    // What it has no words for yet is said in English.
    $this->as('joiner')
        ->postJson('/api/v1/lines', $this->lineBody(), ['Accept-Language' => 'la'])
        ->assertForbidden()
        ->assertJsonPath('title', 'Only an engineer makes a line.');
    File::deleteDirectory($folder);
});
