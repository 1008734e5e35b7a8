<?php

use App\Actions\ExamineSeals;
use App\Actions\HoldSeals;
use App\Actions\SealAnew;
use App\Actions\SealSubject;
use App\Models\Examination;
use App\Models\Photo;
use App\Models\Seal;
use App\Pack\Chain;
use Diastoma\Core\Console;
use Diastoma\Core\Seal\KeyRing;
use Diastoma\Core\Seal\SealKey;
use Diastoma\Core\Seal\Statement;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;

/* Whoever may write in the database changes what was sealed: each change is found, and named in words. */

it('finds what was changed in the database, and says what', function (Closure $attack, string $says) {
    [$line, $joints] = sealedLine($this);
    expect(ExamineSeals::broken($line))->toBe([]);
    $attack($line, $joints);
    $found = implode("\n", ExamineSeals::broken($line->fresh()));
    expect($found)->toContain($says);
    // The same stands in the register.
    $register = $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/register")->assertOk();
    expect(implode("\n", $register->json('chain_broken')))->toContain($says);
})->with([
    'a figure' => [
        fn ($line, $joints) => DB::table('facts')
            ->where('subject_id', $joints[0])->where('step', 'chamfer')
            ->update(['value' => '{"length_mm":15}']),
        'holds something else than was sealed.',
    ],
    'a fact deleted' => [
        fn ($line, $joints) => DB::table('facts')->where('subject_id', $joints[1])->where('step', 'push')->delete(),
        'The entry "Push home" of ',
    ],
    'facts in another order' => [
        function ($line, $joints): void {
            $seqs = DB::table('facts')->where('subject_id', $joints[0])->orderBy('seq')->limit(2)->pluck('seq');
            DB::table('facts')->where('seq', $seqs[0])->update(['seq' => 9_000_000]);
            DB::table('facts')->where('seq', $seqs[1])->update(['seq' => $seqs[0]]);
            DB::table('facts')->where('seq', 9_000_000)->update(['seq' => $seqs[1]]);
        },
        'in another order than was sealed',
    ],
    'the time of arrival' => [
        fn ($line, $joints) => DB::table('facts')->where('subject_id', $joints[0])->update(['received_at' => '2026-01-01 08:00:00.000']),
        'its time of arrival was',
    ],
    'the time of recording' => [
        fn ($line, $joints) => DB::table('facts')
            ->where('subject_id', $joints[0])->where('step', 'push')
            ->update(['recorded_at' => '2026-01-01T08:00:00+01:00']),
        'its time of recording was',
    ],
    'a name' => [
        fn ($line, $joints) => DB::table('users')->update(['name' => 'Nobody']),
        'and is Nobody.',
    ],
    'a chainage' => [
        fn ($line, $joints) => DB::table('joints')->where('id', end($joints))->update(['chainage_m' => 7777]),
        'What was sealed, chainage, m:',
    ],
    'a limit of the frozen procedure' => [
        function ($line, $joints): void {
            $text = DB::table('procedures')->where('hash', $line->procedure_hash);
            $text->update(['body' => preg_replace('/"value":\s*[0-9.]+/', '"value":99', (string) $text->value('body'), 1)]);
        },
        'The text of the procedure:',
    ],
    'the pipe of the line' => [
        fn ($line, $joints) => DB::table('lines')->where('id', $line->id)->update(['mdp_bar' => 63]),
        'The line, maximum design pressure, bar:',
    ],
    'the verdict' => [
        fn ($line, $joints) => DB::table('seals')->where('subject_id', $joints[0])->update(['verdict' => 'bad']),
        'The verdict:',
    ],
    'a seal before others' => [
        fn ($line, $joints) => DB::table('seals')->where('subject_id', $joints[0])->delete(),
        'does not follow the one before it',
    ],
    'a joint' => [
        function ($line, $joints): void {
            DB::statement('SET FOREIGN_KEY_CHECKS=0');
            DB::table('joints')->where('id', $joints[0])->delete();
            DB::statement('SET FOREIGN_KEY_CHECKS=1');
        },
        'What was sealed is gone.',
    ],
]);

it('knows a chain that was made anew without the key', function () {
    [$line, $joints] = sealedLine($this);
    // Somebody alters a figure and makes all seals anew, as well as it can be done without the key.
    DB::table('facts')->where('subject_id', $joints[0])->where('step', 'chamfer')->update(['value' => '{"length_mm":15}']);
    $previous = Statement::NOTHING;
    foreach (Seal::query()->where('line_id', $line->id)->orderBy('seq')->get() as $seal) {
        $says = ['previous' => $previous] + json_decode((string) $seal->statement, true);
        $text = Diastoma\Core\Procedure\Procedure::canonical($says);
        $next = Statement::hash($text);
        DB::table('seals')->where('seq', $seal->seq)->update(['statement' => $text.' ', 'previous' => "x{$seal->seq}"]);
        DB::table('seals')->where('seq', $seal->seq)->update(['statement' => $text, 'previous' => $previous, 'hash' => $next]);
        $previous = $next;
    }
    expect(implode("\n", ExamineSeals::broken($line)))->toContain('something else than was sealed');
    DB::table('seals')->where('line_id', $line->id)->update(['signature' => base64_encode(str_repeat('s', 64))]);
    expect(ExamineSeals::broken($line))->toHaveCount(2)->and(ExamineSeals::broken($line)[0])->toContain('is not what this server signed');
});

it('gives its head out, by which a chain that was shortened is known', function () {
    [$line, $joints] = sealedLine($this);
    $head = fn (): array => $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/register")->assertOk()->json('chain_head');
    $before = $head();
    expect($before['seals'])->toBe(2)->and($before['public_key'])->toBeString();
    DB::table('seals')->where('subject_id', end($joints))->delete();
    expect(ExamineSeals::broken($line))->toBe([])->and($head())->not->toBe($before)->and($head()['seals'])->toBe(1);
});

it('knows a photo by its bytes', function () {
    Storage::fake();
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->as('joiner')->post("/api/v1/subjects/joint/{$joint}/photos", [
        'id' => $id = (string) Illuminate\Support\Str::uuid(), 'step' => 'push', 'taken_at' => '2026-05-04T10:00:00+02:00',
        'file' => UploadedFile::fake()->createWithContent('face.png', picture()),
    ], ['Accept' => 'application/json'])->assertCreated();
    recordPvcJoint($this, $joint);
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    $seal = fn (): array => $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertOk()->json('seal');
    expect($seal()['broken'])->toBe([]);
    Storage::put(Photo::path($id), 'another picture');
    expect($seal()['broken'][0])->toContain('is another picture than was sealed');
});

it('gives out a sealed record that anybody can hold against the key of the server', function () {
    [, $joints] = sealedLine($this);
    $record = $this->as('engineer')->getJson("/api/v1/subjects/joint/{$joints[0]}/record.json")->assertOk()->getContent();
    $file = (string) tempnam(sys_get_temp_dir(), 'record');
    $verify = function (string $record) use ($file): array {
        file_put_contents($file, $record);
        $out = fopen('php://memory', 'w+');
        $code = (new Console(['diastoma', 'verify', $file, Seal::query()->firstOrFail()->public_key], STDIN, $out, STDERR))->run();
        rewind($out);

        return [$code, (string) stream_get_contents($out)];
    };
    expect($verify((string) $record)[0])->toBe(0, $verify((string) $record)[1]);
    [$code, $said] = $verify((string) preg_replace('/"length_mm":\s*\d+/', '"length_mm":15', (string) $record, 1));
    expect($code)->toBe(1)->and($said)->toContain('something else than was sealed');
    unlink($file);
});

it('seals nothing without a key, and says so', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    config(['seal.key' => '']);
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'seal_key');
    $signed = DB::table('facts')->where('subject_id', $joint)->where('step', 'accept');
    expect(Seal::query()->count())->toBe(0)->and($signed->count())->toBe(0);
});

it('goes on to hold what a key signed that was laid down since, and takes nothing that it signed later', function () {
    [$line, $joints] = sealedLine($this);
    $old = Config::string('seal.key');
    $former = SealKey::of($old)->publicKey();
    $this->travel(2)->seconds();
    $laidDown = $former.'@'.now()->format('Y-m-d\TH:i:s\Z');
    // What somebody seals who kept the old key, after it was laid down.
    config(['seal.key' => base64_encode(random_bytes(32))]);
    expect(implode(' ', ExamineSeals::broken($line)))->toContain('Seal', 'is not what this server signed');
    config(['seal.former' => $laidDown]);
    expect(ExamineSeals::broken($line))->toBe([]);
    $this->travel(2)->seconds();
    $says = ['verdict' => 'open', 'user' => $this->people['engineer']->id, 'role' => 'engineer', 'alone' => false, 'judged_with' => []];
    app(SealSubject::class)->set($line, SealAnew::TYPE, $line->id, $line->procedure_hash, $says);
    expect(ExamineSeals::broken($line))->toBe([]);
    [$new, $before] = [Config::string('seal.key'), Config::string('seal.former')];
    config(['seal.key' => $old, 'seal.former' => '']);
    app(SealSubject::class)->set($line, SealAnew::TYPE, $line->id, $line->procedure_hash, $says);
    config(['seal.key' => $new, 'seal.former' => $before]);
    expect(ExamineSeals::broken($line))->toHaveCount(1)->and(ExamineSeals::broken($line)[0])->toContain('is not what this server signed');
    config(['seal.former' => 'nonsense']);
    $page = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joints[0]}");
    $page->assertUnprocessable()->assertJsonPath('errors.0.field', 'seal_keys_before');
});

it('changes its key while nobody serves, and keeps what is public of the old one', function () {
    $home = sys_get_temp_dir().'/keys-'.Str::random(8);
    mkdir($home);
    $seed = base64_encode(random_bytes(32));
    file_put_contents("{$home}/secrets", "APP_KEY=base64:abc=\nDB_PASSWORD=word\nSEAL_KEY={$seed}\n");
    $change = fn () => new Process(['bash', base_path('bin/new-seal-key')], base_path(), ['DIASTOMA_HOME' => $home]);
    $change()->mustRun();
    $change()->mustRun();
    $print = '. "$1/secrets"; printf "%s\n" "$APP_KEY" "$DB_PASSWORD" "$SEAL_KEY" "$SEAL_KEYS_BEFORE"';
    $read = new Process(['bash', '-c', $print, '-', $home]);
    [$app, $word, $key, $before] = explode("\n", $read->mustRun()->getOutput());
    $ring = KeyRing::of($key, $before);
    expect([$app, $word])->toBe(['base64:abc=', 'word'])->and($key)->not->toBe($seed)
        ->and($ring->publicKeys())->toHaveCount(3)->toContain(SealKey::of($seed)->publicKey(), $ring->current->publicKey())
        ->and(fileperms("{$home}/secrets") & 0o077)->toBe(0);
    // While somebody serves from it, nothing changes.
    $serving = new Process(['bash', '-c', 'exec 9>"$1/lock"; flock -n 9; sleep 20', '-', $home]);
    $serving->start();
    usleep(300_000);
    expect($change()->run())->not->toBe(0)->and(file_get_contents("{$home}/secrets"))->toContain($key);
    $serving->stop(0);
    File::deleteDirectory($home);
});

it('holds the seals of a long line beside the server, and says when; of what was never held nothing good is said', function () {
    [$line] = sealedLine($this);
    $says = ['verdict' => 'open', 'user' => $this->people['engineer']->id, 'role' => 'engineer', 'alone' => false, 'judged_with' => []];
    DB::transaction(function () use ($line, $says): void {
        for ($i = Seal::query()->count(); $i <= HoldSeals::AT_ONCE; $i++) {
            app(SealSubject::class)->set($line, SealAnew::TYPE, $line->id, $line->procedure_hash, $says);
        }
    });
    $register = fn (): array => $this->as('inspector')->getJson("/api/v1/lines/{$line->id}/register")->assertOk()->json();
    $held = fn (): array => $register()['chain_held'];
    expect($held())->toBe(['at' => null, 'seals' => 0, 'waits' => true]);
    $words = new Diastoma\Core\Procedure\Words(UnitSystem::Metric, new DateTimeZone('UTC'));
    expect(Chain::said(HoldSeals::of($line), $words))->toContain('not held against the record yet')->not->toContain('unbroken');
    // Asked for once, however many look.
    expect(Examination::claim()?->line_id)->toBe($line->id)->and(Examination::claim())->toBeNull();
    HoldSeals::now($line);
    expect($held())->toMatchArray(['seals' => HoldSeals::AT_ONCE + 1, 'waits' => false])
        ->and($register()['chain_broken'])->toBe([])
        ->and(Chain::said(HoldSeals::of($line), $words))->toContain('unbroken', 'Held against the record on')
        ->and(Examination::claim())->toBeNull();
    DB::table('facts')->where('step', 'push')->limit(1)->delete();
    $this->travel(16)->minutes();
    expect($held()['waits'])->toBeTrue();
    expect(Examination::claim()?->line_id)->toBe($line->id);
    HoldSeals::now($line);
    expect(implode(' ', $register()['chain_broken']))->toContain('The entry "Push home" of ')
        ->and(Chain::said(HoldSeals::of($line), $words))->not->toContain('unbroken');
    // Who may write in the database cannot say that they hold, nor that they were held tomorrow.
    $row = DB::table('examinations')->where('line_id', $line->id);
    $was = (array) $row->first();
    foreach ([['broken' => '[]'], ['held_at' => '2030-01-01 00:00:00'], ['seals' => 9000]] as $forged) {
        $row->update($forged);
        expect($register())->toMatchArray(['chain_broken' => [], 'chain_held' => ['at' => null, 'seals' => 0, 'waits' => true]]);
        $row->update(['asked_at' => null] + $was);
    }
    expect($register()['chain_broken'])->not->toBe([]);
    // A seal more is not yet among those that were held.
    app(SealSubject::class)->set($line, SealAnew::TYPE, $line->id, $line->procedure_hash, $says);
    expect($held())->toMatchArray(['seals' => HoldSeals::AT_ONCE + 1, 'waits' => true]);
    // Who fell over, or fell silent, holds up nobody.
    Examination::claim()?->fellOver();
    expect($held()['waits'])->toBeTrue()->and(Examination::claim())->not->toBeNull();
    $this->travel(61)->seconds();
    expect(Examination::claim())->not->toBeNull();
});
