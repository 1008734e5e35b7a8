<?php

use App\Actions\ExportRegister;
use App\Actions\HoldSeals;
use App\Actions\MakePack;
use App\Actions\SealAnew;
use App\Actions\SealSubject;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pack;
use App\Models\PackState;
use App\Models\Photo;
use App\Pack\TestPack;
use Diastoma\Core\Refused;
use Diastoma\Core\Seal\ArchiveForm;
use Diastoma\Core\Seal\SealKey;
use Diastoma\Core\Seal\VerifyArchive;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;
use Tests\Fuzz\Mutator;

/* What a client is given: the record book to be read, the archive to be held against its seals by anybody. */

/** Asked for, and made as the process beside the server does. */
function handedOver(object $test, Line $line, string $kind): Pack
{
    $id = $test->as('engineer')->postJson("/api/v1/lines/{$line->id}/packs", ['kind' => $kind])->assertCreated()->json('id');
    $pack = Pack::claim();
    expect($pack?->id)->toBe($id);
    $told = [];
    $pack->isMade(app(MakePack::class)($pack, now()->toImmutable(), function (int $done, int $of) use (&$told): void {
        $told[] = $done / $of;
    }));
    $rising = $told;
    sort($rising);
    expect($told)->toBe($rising)->and(end($told))->toEqualWithDelta(1.0, 1e-9);

    return $pack->refresh();
}

/** @return list<string> the words of each page, as any reader of PDF finds them */
function pagesOf(Pack $pack): array
{
    $read = (new Process(['pdftotext', '-layout', Storage::path($pack->path()), '-']))->mustRun()->getOutput();

    return array_map(fn (string $page) => (string) preg_replace('/\s+/', ' ', $page), explode("\f", rtrim($read, "\f\n")));
}

function pictured(object $test, string $joint, string $step = 'chamfer'): string
{
    $id = (string) Str::uuid();
    $file = UploadedFile::fake()->createWithContent('p.png', picture(60, 40));
    $test->as('joiner')->post("/api/v1/subjects/joint/{$joint}/photos", [
        'id' => $id, 'step' => $step, 'taken_at' => '2026-05-04T10:00:00+02:00', 'file' => $file,
    ])->assertSuccessful();

    return $id;
}

/** A line of three joints: the first with a picture, two of them sealed. */
function lineToHandOver(object $test): array
{
    $body = $test->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [24, 24, 0, 11]]]);
    $made = $test->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    $joints = array_column($made['joints'], 'id');
    $photo = pictured($test, $joints[0]);
    foreach (array_slice($joints, 0, 2) as $joint) {
        recordPvcJoint($test, $joint);
        $test->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    }

    return [Line::query()->findOrFail($made['id']), $joints, $photo];
}

/** What stands in a file of an archive, otherwise; with its sum put right, as a forger would. */
function edited(string $name, Closure $edit, bool $withSum = true): Closure
{
    return function (ZipArchive $zip, string $photo) use ($name, $edit, $withSum): void {
        $name = str_replace('PHOTO', $photo, $name);
        $new = $edit((string) $zip->getFromName($name));
        $zip->addFromString($name, $new);
        if ($withSum) {
            $sum = '/^\w{64}(?=  '.preg_quote($name, '/').'$)/m';
            $sums = preg_replace($sum, hash('sha256', $new), (string) $zip->getFromName(ArchiveForm::SUMS));
            $zip->addFromString(ArchiveForm::SUMS, (string) $sums);
        }
    };
}

/** The lines of a file, otherwise. @param  Closure(list<string>): array<string>  $edit */
function rows(Closure $edit): Closure
{
    return fn (string $text): string => implode('', $edit(array_map(fn (string $row) => "{$row}\n", explode("\n", rtrim($text)))));
}

/** @param  list<string>  $rows  @return array<string> */
function without(array $rows, string $name): array
{
    return array_filter($rows, fn (string $row) => ! str_contains($row, "\"name\":\"{$name}\""));
}

it('binds a book in which everything stands on the page that its contents name', function () {
    [$line, $joints] = lineToHandOver($this);
    $this->as('foreman')->postJson("/api/v1/sections/{$line->sections[0]->id}/tests")->assertCreated();
    $pages = pagesOf(handedOver($this, $line, 'record-book'));
    $front = array_values(array_filter($pages, fn (string $p) => preg_match('/Page [ivx]+ ?$/', $p) === 1));
    $body = array_slice($pages, count($front));
    expect($front[0])
        ->toContain('Record book of Test line', 'Head of the chain: 2 seals')
        ->toContain('Joints accepted: 2 of '.count($joints), 'Joints not accepted yet: 1 (3).');
    foreach (['The line', 'Procedures and methods', 'Joints', 'Tests', 'Seals'] as $chapter) {
        $isNamed = preg_match("/(?:Page|\d) \Q{$chapter}\E (\d+)(?: |$)/", $front[1], $named) === 1;
        expect($isNamed)->toBeTrue("{$chapter} is in the contents: {$front[1]}");
        $heading = $chapter === 'Tests' ? 'Pressure test 1 of One' : $chapter;
        expect($body[(int) $named[1] - 1])->toContain($heading, "Page {$named[1]}");
    }
    $words = implode(' ', $body);
    expect($words)
        ->toContain('Joint 1 Good', 'Hold point: accept', 'Sealed ')
        // No key and no raw value of the machine.
        ->not->toMatch('/length_mm|pipe_a|true|false|\{|\}|T\d\d:\d\d:\d\d/')
        ->and(end($body))->toEndWith('Page '.count($body).', the last');
});

it('says of a reading that does not count, and of a picture that is gone', function () {
    [$line, $joints, $photo] = lineToHandOver($this);
    $first = $this->record('joiner', "subjects/joint/{$joints[2]}", 'pipes', ['pipe_a' => '3', 'pipe_b' => '4'])->json('fact.id');
    $this->record('joiner', "subjects/joint/{$joints[2]}", 'pipes', ['pipe_a' => '3', 'pipe_b' => '5'], [
        'supersedes' => $first, 'reason' => 'misread the number',
    ])->assertCreated();
    expect(implode(' ', pagesOf(handedOver($this, $line, 'record-book'))))
        ->toContain('misread the number')
        ->not->toContain('This picture is gone.');
    Storage::delete(Photo::path($photo));
    expect(implode(' ', pagesOf(handedOver($this, $line, 'record-book'))))->toContain('This picture is gone.');
});

it('prints a long section piece by piece, each of its joints once', function () {
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [930, 930, 0, 11]]]);
    $body['sections'][0]['to_m'] = 930;
    $line = Line::query()->findOrFail($this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json('id'));
    $joints = Joint::query()->where('line_id', $line->id)->count();
    expect($joints)->toBeGreaterThan(TestPack::AT_ONCE);
    $test = $this->as('foreman')->postJson("/api/v1/sections/{$line->sections[0]->id}/tests")->assertCreated()->json('id');
    // Nobody waits for it at the door.
    $this->as('foreman')->get("/api/v1/tests/{$test}/pack.pdf")->assertConflict()->assertSee('made in the background');
    $id = $this->as('foreman')->postJson("/api/v1/tests/{$test}/packs")->assertCreated()->json('id');
    $pack = Pack::claim();
    expect($pack?->id)->toBe($id);
    $pack->isMade(app(MakePack::class)($pack, now()->toImmutable(), fn () => null));
    $words = implode(' ', pagesOf($pack));
    expect(preg_match_all('/(\d+) \d+\.\d m not signed|(\d+) +[\d.]+ m +[^P]*?Open +not signed/', $words))
        ->toBe($joints)
        ->and($words)
        ->toContain("Joints of the section, 1 to 150 of {$joints}", "Joints of the section, 151 to {$joints} of {$joints}")
        ->toContain('For the client', ', the last');
});

it('writes nothing down while it reads a long line as it stood once', function () {
    [$line] = lineToHandOver($this);
    $says = ['verdict' => 'open', 'user' => $this->people['engineer']->id, 'role' => 'engineer', 'alone' => false, 'judged_with' => []];
    DB::transaction(function () use ($line, $says): void {
        foreach (range(0, HoldSeals::AT_ONCE) as $i) {
            app(SealSubject::class)->set($line, SealAnew::TYPE, $line->id, $line->procedure_hash, $says);
        }
    });
    $test = $this->as('foreman')->postJson("/api/v1/sections/{$line->sections[0]->id}/tests")->assertCreated()->json('id');
    $this->as('foreman')->postJson("/api/v1/tests/{$test}/packs")->assertCreated();
    $writes = [];
    DB::listen(function ($query) use (&$writes): void {
        if (preg_match('/^\s*(insert|update|delete|replace)/i', $query->sql) === 1) {
            $writes[] = $query->sql;
        }
    });
    $ofTest = Pack::claim();
    $writes = [];
    app(MakePack::class)($ofTest, now()->toImmutable(), fn () => null);
    expect($writes)->toBe([])->and(implode(' ', pagesOf($ofTest)))->toContain('Chain of seals of this line: unbroken');
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/packs", ['kind' => 'archive'])->assertCreated();
    $archive = Pack::claim();
    $writes = [];
    app(MakePack::class)($archive, now()->toImmutable(), fn () => null);
    expect($writes)->toBe([])->and(VerifyArchive::of(Storage::path($archive->path()))['holds'])->toBeTrue();
});

it('is for who belongs to the project, made once for all who ask meanwhile, and kept twice', function () {
    [$line] = lineToHandOver($this);
    $to = "/api/v1/lines/{$line->id}/packs";
    $this->as('stranger')->postJson($to, ['kind' => 'archive'])->assertNotFound();
    $this->as('stranger')->getJson($to)->assertNotFound();
    foreach ([null, 'test-pack', 'archiv', ['archive']] as $no) {
        $this->as('joiner')->postJson($to, ['kind' => $no])->assertUnprocessable()->assertSee('kind must be one of record-book, archive.');
    }
    $asked = $this->as('joiner')->postJson($to, ['kind' => 'archive'])->assertCreated()->json('id');
    $this->as('inspector')->postJson($to, ['kind' => 'archive'])->assertOk()->assertJsonPath('id', $asked)->assertJsonPath('by', 'Joiner');
    $file = "/api/v1/packs/{$asked}/file";
    $this->as('joiner')->getJson($file)->assertNotFound();
    // Who reads other units has a book of his own.
    $this->people['foreman']->update(['units' => 'us']);
    expect($this->as('foreman')->postJson($to, ['kind' => 'archive'])->assertCreated()->json('id'))->not->toBe($asked);
    $pack = Pack::claim();
    $pack->isMade(app(MakePack::class)($pack, now()->toImmutable(), fn () => null));
    $this->as('joiner')->getJson($to)->assertJsonPath('0.state', 'ready')->assertJsonPath('0.sha256', $pack->refresh()->sha256);
    $this->as('stranger')->getJson($file)->assertNotFound();
    $taken = $this->as('inspector')->get($file)->assertOk()->assertDownload()->assertHeader('Content-Type', 'application/zip');
    expect(hash_file('sha256', $taken->baseResponse->getFile()->getPathname()))->toBe($pack->sha256);
    Pack::query()->where('state', PackState::Waiting->value)->delete();
    $second = handedOver($this, $line, 'archive');
    $third = handedOver($this, $line, 'archive');
    expect(Pack::query()->pluck('id')->sort()->values()->all())
        ->toBe(collect([$second->id, $third->id])->sort()->values()->all())
        ->and(Storage::exists("packs/{$asked}.zip"))->toBeFalse()
        ->and(Storage::exists($second->path()) && Storage::exists($third->path()))->toBeTrue();
});

it('tries again when it fell over, three times in all, and takes over from one that died', function () {
    [$line] = lineToHandOver($this);
    $id = $this->as('joiner')->postJson("/api/v1/lines/{$line->id}/packs", ['kind' => 'archive'])->assertCreated()->json('id');
    foreach ([PackState::Waiting, PackState::Waiting, PackState::Failed] as $after) {
        $pack = Pack::claim();
        expect($pack?->id)->toBe($id)->and(Pack::claim())->toBeNull();
        $pack->fellOver('the memory was too small');
        expect($pack->refresh()->state)->toBe($after);
    }
    expect(Pack::claim())->toBeNull()->and($pack->problem)->toBe('the memory was too small');
    $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/packs")->assertJsonPath('0.state', 'failed')->assertDontSee('memory');
    $id = $this->as('joiner')->postJson("/api/v1/lines/{$line->id}/packs", ['kind' => 'archive'])->assertCreated()->json('id');
    $pack = Pack::claim();
    $this->travel(59)->seconds();
    expect(Pack::claim())->toBeNull();
    $pack->beat();
    $this->travel(59)->seconds();
    expect(Pack::claim())->toBeNull();
    $this->travel(2)->seconds();
    expect(Pack::claim('other')?->id)->toBe($id);
    $pack->refresh()->putBack();
    expect(Pack::claim('this')?->attempts)->toBe(2);
    // Who begins anew takes up what it had itself, at once, and nobody else's.
    Pack::takeUp('other');
    expect(Pack::claim())->toBeNull();
    Pack::takeUp('this');
    expect(Pack::claim()?->id)->toBe($id);
});

it('gives out an archive that anybody can hold against its seals', function () {
    [$line, $joints, $photo] = lineToHandOver($this);
    $pack = handedOver($this, $line, 'archive');
    $file = Storage::path($pack->path());
    $key = SealKey::of(Config::string('seal.key'))->publicKey();
    expect(VerifyArchive::of($file, [$key]))
        ->toMatchArray(['holds' => true, 'found' => [], 'key' => 'given', 'seals' => 2, 'unsealed' => 1]);
    // On a machine that has the core alone.
    $told = new Process([PHP_BINARY, base_path('bin/diastoma'), 'verify', $file, $key]);
    expect($told->run())->toBe(0)->and(json_decode($told->getOutput(), true)['holds'])->toBeTrue();
    $zip = new ZipArchive;
    $zip->open($file);
    ob_start();
    (new ExportRegister)->csv($line);
    expect($zip->getFromName('register.csv'))->toBe(ob_get_clean())
        ->and(hash('sha256', (string) $zip->getFromName(ArchiveForm::photo($photo))))->toBe(Photo::query()->findOrFail($photo)->sha256)
        ->and(substr_count((string) $zip->getFromName(ArchiveForm::RECORDS), "\n"))->toBe(count($joints))
        ->and(trim((string) $zip->getFromName('public-key.txt')))->toBe($key)
        ->and(json_decode((string) $zip->getFromName('line.geojson'), true)['features'])->toHaveCount(count($joints) + 2);
    // A key that is not the server's proves nothing.
    $other = SealKey::of(base64_encode(random_bytes(32)))->publicKey();
    expect(VerifyArchive::of($file, [$other])['holds'])->toBeFalse()->and(VerifyArchive::of($file, [$other, $key])['holds'])->toBeTrue();
});

it('finds what was altered in an archive, by whoever has not the key', function (Closure $change, string $says) {
    [$line, , $photo] = lineToHandOver($this);
    $file = Storage::path(handedOver($this, $line, 'archive')->path());
    $zip = new ZipArchive;
    $zip->open($file);
    $change($zip, $photo);
    $zip->close();
    $said = VerifyArchive::of($file, [SealKey::of(Config::string('seal.key'))->publicKey()]);
    expect($said['holds'])->toBeFalse()->and(implode("\n", $said['found']))->toContain($says);
})->with(function () {
    $register = fn (string $t): string => str_replace('good', 'best', $t);
    $first = fn (string $pattern, string $into): Closure => fn (string $t) => (string) preg_replace($pattern, $into, $t, 1);
    $text = '"(?:[^"\\\\]|\\\\.)*"';

    return [
        'a figure' => [edited(ArchiveForm::RECORDS, $first('/"length_mm":[\d.]+/', '"length_mm":99')), 'something else than was sealed.'],
        'the register' => [edited('register.csv', $register), 'The archive as a whole is not signed'],
        'the register, its sum too' => [edited('register.csv', $register, false), 'register.csv is not the file that was put in.'],
        'the last seal' => [edited(ArchiveForm::SEALS, rows(fn ($all) => array_slice($all, 0, -1))), 'not the one that the archive names.'],
        'the first seal' => [edited(ArchiveForm::SEALS, rows(fn ($all) => array_slice($all, 1))), 'Seal 1 does not follow the one'],
        'the order of seals' => [edited(ArchiveForm::SEALS, rows(array_reverse(...))), 'Seal 2 does not follow the one'],
        'a signature' => [edited(ArchiveForm::SEALS, $first('/"signature":"..../', '"signature":"AAAA')), 'Seal 1 is not signed by'],
        'no statement' => [edited(ArchiveForm::SEALS, $first("/\"statement\":{$text}/", '"statement":null')), 'Seal 1 is not signed: it'],
        'a record left out' => [edited(ArchiveForm::RECORDS, rows(fn ($all) => without($all, 'Joint 1'))), 'What is under seal 1 is gone.'],
        'a record twice' => [edited(ArchiveForm::RECORDS, rows(fn ($all) => [...$all, $all[0]])), 'stands there twice.'],
        'no seal at a record' => [
            edited(ArchiveForm::RECORDS, $first("/\"seal\":\\{(?:[^{}\"]|{$text})*\\}/", '"seal":null')), 'where the chain has it.',
        ],
        'what cannot be read' => [edited(ArchiveForm::RECORDS, fn ($t) => "{\n{$t}"), 'Line 1 of records.jsonl cannot be read.'],
        'no records' => [fn (ZipArchive $zip) => $zip->deleteName(ArchiveForm::RECORDS), 'records.jsonl is gone.'],
        'a picture' => [edited('photos/PHOTO.jpg', fn () => picture(61, 41)), 'is another picture than was sealed.'],
        'no picture' => [fn (ZipArchive $zip, string $photo) => $zip->deleteName(ArchiveForm::photo($photo)), 'The sealed photo'],
        'a file more' => [fn (ZipArchive $zip) => $zip->addFromString('more.txt', 'x'), 'more.txt was added.'],
        'no sums' => [fn (ZipArchive $zip) => $zip->deleteName(ArchiveForm::SUMS), 'The archive as a whole is not signed'],
        'a key of the forger' => [function (ZipArchive $zip): void {
            $forger = SealKey::of(base64_encode(random_bytes(32)));
            $signed = ['public_key' => $forger->publicKey(), 'signature' => $forger->sign((string) $zip->getFromName(ArchiveForm::SUMS))];
            $zip->addFromString(ArchiveForm::SIGNED, (string) json_encode($signed));
        }, 'The archive as a whole is not signed'],
    ];
});

it('finds in an archive what was changed in the database before it was made', function (Closure $attack, string $says) {
    [$line, $joints, $photo] = lineToHandOver($this);
    $attack($joints, $photo);
    $said = VerifyArchive::of(Storage::path(handedOver($this, $line->refresh(), 'archive')->path()));
    expect($said['holds'])->toBeFalse()->and(implode("\n", $said['found']))->toContain($says);
})->with([
    'a figure' => [
        fn ($joints) => DB::table('facts')
            ->where('subject_id', $joints[0])->where('step', 'chamfer')
            ->update(['value' => '{"length_mm":15}']),
        'Joint 1: The entry',
    ],
    'a fact deleted' => [fn ($joints) => DB::table('facts')->where('subject_id', $joints[1])->limit(1)->delete(), 'is gone.'],
    'a limit' => [
        function (): void {
            $text = DB::table('procedures')->where('key', 'pvc-spigot-socket');
            $text->update(['body' => preg_replace('/"value":\s*[0-9.]+/', '"value":99', (string) $text->value('body'), 1)]);
        },
        'The text of the procedure:',
    ],
    'a picture' => [fn ($joints, $photo) => Storage::put(Photo::path($photo), 'x'), 'is another picture than was sealed.'],
    'a seal' => [fn () => DB::table('seals')->orderByDesc('seq')->limit(1)->delete(), 'Joint 2 is accepted, and its seal is gone.'],
]);

it('has a verdict on whatever stands in an archive, and none that is good', function () {
    [$line] = lineToHandOver($this);
    $file = Storage::path(handedOver($this, $line, 'archive')->path());
    $mutator = new Mutator(20_261_128);
    foreach (range(1, 120) as $i) {
        $odd = "{$file}.{$i}";
        copy($file, $odd);
        $zip = new ZipArchive;
        $zip->open($odd);
        $name = [ArchiveForm::RECORDS, ArchiveForm::SEALS, ArchiveForm::ABOUT][$i % 3];
        $was = explode("\n", rtrim((string) $zip->getFromName($name)));
        $at = $i % count($was);
        $as = JSON_INVALID_UTF8_SUBSTITUTE | JSON_PARTIAL_OUTPUT_ON_ERROR;
        $was[$at] = (string) json_encode($mutator->alter(json_decode($was[$at], true)), $as);
        $zip->addFromString($name, implode("\n", $was)."\n");
        $zip->close();
        try {
            $holds = VerifyArchive::of($odd)['holds'];
        } catch (Refused) {
            $holds = false;
        }
        expect($holds)->toBeFalse("{$name}: {$was[$at]}");
        unlink($odd);
    }
});

it('refuses what is no archive', function (string $bytes) {
    $file = (string) tempnam(sys_get_temp_dir(), 'zip');
    file_put_contents($file, $bytes);
    expect(fn () => VerifyArchive::of($file))->toThrow(Refused::class);
    unlink($file);
})->with(['nothing' => '', 'text' => 'PK and more', 'an empty ZIP' => "PK\x05\x06".str_repeat("\0", 18)]);
