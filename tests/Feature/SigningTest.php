<?php

use App\Actions\ExamineSeals;
use App\Models\Line;
use App\Models\Seal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;

/* Who signs, and what is said where a chain was broken. */

beforeEach(fn () => RateLimiter::clear('signer:'.$this->people['inspector']->id));

it('asks who seals for the password, keeps it nowhere and takes no other', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    $sign = fn (?string $password) => $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true], [
        'password' => $password,
    ]);
    foreach ([null, '', 'secret-wordy', ' secret-word'] as $wrong) {
        $sign($wrong)->assertUnprocessable()->assertJsonPath('errors.0.field', 'password');
    }
    expect(Seal::query()->count())->toBe(0)->and(DB::table('facts')->where('step', 'accept')->count())->toBe(0);
    $sign('secret-word')->assertCreated();
    $kept = json_encode([DB::table('facts')->get(), DB::table('seals')->get()]);
    expect($kept)->not->toContain('secret-word');
});

it('lets nobody try out a password at the hold point', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    $sign = fn (string $password) => $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true], [
        'password' => $password,
    ]);
    for ($i = 0; $i < 5; $i++) {
        $sign("guess {$i}")->assertUnprocessable();
    }
    $sign('secret-word')->assertTooManyRequests();
    $this->travel(61)->seconds();
    $sign('secret-word')->assertCreated();
});

it('asks for no password where somebody refuses to sign', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => false, 'remark' => 'mark not seen'])->assertCreated();
});

/** A sound joint, all of it recorded by one person. */
function madeAlone(object $test, string $who): string
{
    $joint = $test->makeLine()['joints'][0]['id'];
    foreach (Database\Demo\Demo::pvcFacts(['a' => '1', 'b' => '2']) as [$step, $value]) {
        $test->record($who, "subjects/joint/{$joint}", $step, $value)->assertCreated();
    }

    return $joint;
}

it('lets nobody accept what he made alone, and says so before it is tried', function () {
    $joint = madeAlone($this, 'inspector');
    $page = fn (string $who) => $this->as($who)->getJson("/api/v1/subjects/joint/{$joint}")->assertOk();
    expect($page('inspector')->json('own_work.may_seal'))->toBeFalse()->and($page('engineer')->json('own_work'))->toBeNull();
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'signed')
        ->assertJsonPath('title', $page('inspector')->json('own_work.text'));
    // With one reading of somebody else two have looked at it. A signature is none.
    $this->record('engineer', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    expect($page('engineer')->json('seal.alone'))->toBeNull();
});

it('lets a project accept own work, and the record says so', function () {
    $joint = madeAlone($this, 'inspector');
    $allow = fn (string $who) => $this->as($who)->patchJson("/api/v1/projects/{$this->project->id}", ['accepts_own_work' => true]);
    $allow('foreman')->assertForbidden();
    $allow('engineer')->assertOk();
    expect($this->project->refresh()->client)->toBe('');
    $this->people['inspector']->unsetRelation('projects');
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    $said = 'Accepted by Inspector, who made it alone; the project allowed that.';
    $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertJsonPath('seal.alone', $said);
    // It stands under the seal: forbidden again, it is not forgotten.
    $this->as('engineer')->patchJson("/api/v1/projects/{$this->project->id}", ['accepts_own_work' => false])->assertOk();
    $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertJsonPath('seal.alone', $said)->assertJsonPath('seal.broken', []);
});

it('seals a broken place anew as it stands, visibly, and knows the next change', function () {
    [$line, $joints] = sealedLine($this);
    $register = fn () => $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/register")->assertOk();
    $anew = fn (string $who, array $but = []) => $this->as($who)->postJson(
        "/api/v1/lines/{$line->id}/seal-anew",
        $but + ['reason' => 'A disk failed and was restored from the paper', 'password' => 'secret-word'],
    );
    $anew('engineer')->assertConflict();
    DB::table('facts')->where('subject_id', $joints[0])->where('step', 'chamfer')->update(['value' => '{"length_mm":15}']);
    $broken = $register()->json('chain_broken');
    expect($broken)->not->toBe([]);
    $anew('inspector')->assertForbidden();
    $anew('engineer', ['password' => 'another'])->assertUnprocessable();
    $anew('engineer', ['reason' => 'so'])->assertUnprocessable();
    expect($register()->json('chain_broken'))->toBe($broken);
    $anew('engineer')->assertCreated();
    $after = $register()->json();
    expect($after['chain_broken'])->toBe([])
        ->and($after['chain_mended'][0])->toContain('Engineer', 'A disk failed and was restored from the paper.')
        ->and(array_slice($after['chain_mended'], 1))->toBe($broken)
        ->and($after['chain_head']['seals'])->toBe(3);
    // What is said of the joint itself stays.
    expect($this->as('joiner')->getJson("/api/v1/subjects/joint/{$joints[0]}")->json('seal.broken'))->not->toBe([]);
    // The same place once more: other figures under the same sentence.
    DB::table('facts')->where('subject_id', $joints[0])->where('step', 'chamfer')->update(['value' => '{"length_mm":16}']);
    expect($register()->json('chain_broken'))->toBe($broken);
    DB::table('facts')->where('subject_id', $joints[0])->where('step', 'chamfer')->update(['value' => '{"length_mm":15}']);
    expect($register()->json('chain_broken'))->toBe([]);
    // Nobody without the key can make such a seal, or alter what it mends.
    $seal = Seal::query()->where('subject_type', 'line')->firstOrFail();
    $seal->update(['statement' => str_replace('restored from', 'copied from', (string) $seal->statement)]);
    expect(implode(' ', $register()->json('chain_broken')))->toContain('is not what this server signed', $broken[0]);
});

it('tells where a code that was kept elsewhere stands in the chain', function () {
    [$line] = sealedLine($this);
    $find = fn (string $code) => $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/seals/".rawurlencode($code));
    [$first, $second] = Seal::query()->orderBy('seq')->pluck('hash')->all();
    $find($first)->assertExactJson(['seal' => 1, 'seals' => 2]);
    $find(strtoupper(chunk_split(substr($second, 0, 16), 4, ' ')))->assertExactJson(['seal' => 2, 'seals' => 2]);
    $find(str_repeat('0', 64))->assertExactJson(['seal' => null, 'seals' => 2]);
    $find('abc')->assertUnprocessable()->assertJsonPath('errors.0.field', 'code');
    $find('no hash, no seal')->assertUnprocessable();
    $this->as('stranger')->getJson("/api/v1/lines/{$line->id}/seals/{$first}")->assertNotFound();
    $head = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/head.json")->assertOk();
    expect($head->json('head.hash'))->toBe($second)->and($head->headers->get('Content-Disposition'))->toContain('head.json');
    DB::table('seals')->where('hash', $second)->delete();
    $find($second)->assertExactJson(['seal' => null, 'seals' => 1]);
});

it('says in the pack which seal is the last', function () {
    [$line] = sealedLine($this);
    $section = Line::query()->findOrFail($line->id)->sections()->firstOrFail();
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$section->id}/tests")->assertCreated()->json('id');
    $html = (new App\Pack\TestPack(
        App\Models\PressureTest::query()->findOrFail($test),
        Diastoma\Core\Units\UnitSystem::Metric,
        app(App\Actions\PlanSection::class),
    ))->pieces()->current();
    $head = Seal::query()->orderByDesc('seq')->firstOrFail();
    expect($html)->toContain('2 seals, the last one '.trim(chunk_split($head->hash, 8, ' ')), (string) $head->public_key)
        ->and(ExamineSeals::broken($line))->toBe([]);
});
