<?php

use App\Actions\ExamineSeals;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\Seal;
use Illuminate\Support\Facades\DB;

/* A line is renamed, extended, put away: each change recorded in its chain, and nothing that was judged before is altered. */

beforeEach(function () {
    [$this->line] = sealedLine($this);
    $this->change = fn (array $body, string $who = 'engineer') => $this->as($who)
        ->patchJson("/api/v1/lines/{$this->line->id}", $body + ['reason' => 'as the drawing has it']);
    $this->broken = fn () => ExamineSeals::broken(Line::query()->findOrFail($this->line->id));
});

it('is renamed with who, why and what it was called, and every seal before holds', function () {
    $page = ($this->change)(['name' => 'Lower line'])->assertOk()->json();
    expect($page['name'])->toBe('Lower line')
        ->and($page['changes'])->toHaveCount(1)
        ->and($page['changes'][0])->toMatchArray([
            'by' => 'Engineer', 'reason' => 'as the drawing has it', 'said' => 'Renamed from "Test line" to "Lower line".',
        ])
        ->and(($this->broken)())->toBe([]);
    ($this->change)(['name' => 'Lower line, west'])->assertOk();
    ($this->change)(['name' => 'Test line'])->assertOk();
    expect(($this->broken)())->toBe([]);
});

it('finds a name that was changed past the record, before and after changes that were recorded', function () {
    DB::table('lines')->where('id', $this->line->id)->update(['name' => 'Other']);
    expect(($this->broken)())->not->toBe([]);
    DB::table('lines')->where('id', $this->line->id)->update(['name' => 'Test line']);
    ($this->change)(['name' => 'Lower line'])->assertOk();
    expect(($this->broken)())->toBe([]);
    DB::table('lines')->where('id', $this->line->id)->update(['name' => 'Other']);
    expect(implode(' ', ($this->broken)()))->toContain('name');
});

it('is not taken in by a change that nobody signed', function () {
    ($this->change)(['name' => 'Lower line'])->assertOk();
    // Somebody with the database renames the line and writes a change for it.
    $seal = Seal::query()->where('subject_type', 'line-change')->firstOrFail();
    $forged = str_replace('Lower line', 'Other line', (string) $seal->statement);
    DB::table('seals')->where('seq', $seal->seq)->update(['statement' => $forged, 'hash' => hash('sha256', $forged)]);
    DB::table('lines')->where('id', $this->line->id)->update(['name' => 'Other line']);
    expect(($this->broken)())->not->toBe([]);
});

it('is not taken in by a signed change of another line', function () {
    $other = $this->makeLine()['id'];
    $body = ['name' => 'Lower line', 'reason' => 'as the drawing has it'];
    $this->as('engineer')->patchJson("/api/v1/lines/{$other}", $body)->assertOk();
    DB::table('seals')->where('line_id', $other)->update(['line_id' => $this->line->id, 'previous' => str_repeat('1', 64)]);
    DB::table('lines')->where('id', $this->line->id)->update(['name' => 'Lower line']);
    expect(implode(' ', ($this->broken)()))->toContain('name');
});

it('grows beyond its end: joints and pipes go on, what was there stays', function () {
    $before = Joint::query()->where('line_id', $this->line->id)->orderBy('chainage_m')->get(['id', 'number', 'chainage_m'])->toArray();
    $page = ($this->change)(['points' => [[24, 24, 0, 11], [33, 33, 0, 12]]])->assertOk()->json();
    $joints = collect($page['joints']);
    expect($page['length_m'])->toEqual(33)
        ->and($joints->pluck('number')->all())->toBe(['1', '2', '3', '4', '5'])
        ->and($joints->pluck('chainage_m')->all())->toEqual([6, 12, 18, 24, 30])
        ->and($joints[2]['pipes'])->toBe(['a' => '002', 'b' => '004'])
        ->and($joints[4]['pipes'])->toBe(['a' => '005', 'b' => '006'])
        ->and(Pipe::query()->where('number', '006')->firstOrFail()->length_m)->toEqual(3)
        ->and($joints->take(2)->map(fn ($j) => ['id' => $j['id'], 'number' => $j['number'], 'chainage_m' => $j['chainage_m']])->all())
        ->toEqual($before)
        ->and($page['changes'][0]['said'])->toBe('Extended from 18 m to 33 m.')
        ->and(($this->broken)())->toBe([]);
    // The new joint is made and signed, and the chain goes on.
    recordPvcJoint($this, $joints[2]['id']);
    $this->record('inspector', "subjects/joint/{$joints[2]['id']}", 'accept', ['signed' => true])->assertCreated();
    ($this->change)(['name' => 'Longer line'])->assertOk();
    expect(($this->broken)())->toBe([]);
});

it('is put away and taken out again', function () {
    expect(($this->change)(['archived' => true])->assertOk()->json('archived'))->toBeTrue();
    $listed = collect($this->as('joiner')->getJson('/api/v1/lines')->json())->firstWhere('id', $this->line->id);
    expect($listed['archived'])->toBeTrue();
    ($this->change)(['archived' => true])->assertUnprocessable();
    $page = ($this->change)(['archived' => false])->assertOk()->json();
    expect($page['archived'])->toBeFalse()->and(array_column($page['changes'], 'said'))
        ->toBe(['Put away: out of the lists.', 'Taken out again: in the lists.'])
        ->and(($this->broken)())->toBe([]);
});

it('refuses what says nothing, goes back, or comes from somebody else', function () {
    ($this->change)([])->assertUnprocessable();
    ($this->change)(['name' => 'Test line'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'name');
    ($this->change)(['name' => 'Lower', 'reason' => ''])->assertUnprocessable()->assertJsonPath('errors.0.field', 'reason');
    ($this->change)(['points' => [[18, 18, 0, 11]]])->assertUnprocessable()->assertJsonPath('errors.0.field', 'centre_line');
    ($this->change)(['points' => [['far', 18, 0, 11]]])->assertUnprocessable()->assertJsonPath('errors.0.field', 'centre_line');
    ($this->change)(['points' => [[300000, 18, 0, 11]]])->assertUnprocessable()->assertJsonPath('errors.0.field', 'centre_line');
    ($this->change)(['name' => 'Lower'], 'joiner')->assertForbidden();
    ($this->change)(['name' => 'Lower'], 'foreman')->assertForbidden();
    ($this->change)(['name' => 'Lower'], 'stranger')->assertNotFound();
    expect(Line::query()->findOrFail($this->line->id)->name)->toBe('Test line')->and(Seal::query()->count())->toBe(2);
});

it('is planned anew from the face on with other pipes; what was begun and what anybody said of stays', function () {
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [60, 60, 0, 11]]]);
    $line = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    $ids = array_column($line['joints'], 'id', 'number');
    $at = fn (): array => Joint::query()->where('line_id', $line['id'])->orderBy('chainage_m')->pluck('chainage_m', 'number')->all();
    expect($at())->toEqual([1 => 6, 2 => 12, 3 => 18, 4 => 24, 5 => 30, 6 => 36, 7 => 42, 8 => 48, 9 => 54]);
    $change = fn (float $m, string $who = 'engineer') => $this->as($who)
        ->patchJson("/api/v1/lines/{$line['id']}", ['reason' => 'the works send longer pipes', 'pipe_length_m' => $m]);
    // The face is at joint 3.
    recordPvcJoint($this, $ids['3']);
    $this->as('foreman')->postJson("/api/v1/lines/{$line['id']}/pipes", [
        'number' => '077', 'material' => 'PVC-U', 'series' => 'metric', 'nominal' => 160, 'sdr' => 17, 'length_m' => 5.2,
    ])->assertCreated();
    $change(12, 'foreman')->assertForbidden();
    $change(0.1)->assertUnprocessable();
    $change(6)->assertUnprocessable();
    $page = $change(12)->assertOk()->json();
    expect($at())->toEqual([1 => 6, 2 => 12, 3 => 18, 4 => 24, 5 => 36, 6 => 48])
        ->and($page['pipe_length_m'])->toEqual(12)
        ->and($page['changes'][0]['said'])->toBe('Planned anew from the face on, with pipes of 12 m instead of 6 m.')
        ->and(Joint::query()->find($ids['3'])?->state)->toBe('made')
        // A phone without network that knows joint 4 still records at joint 4; of what lies beyond the new end nothing is left.
        ->and(Joint::query()->find($ids['4'])?->number)->toBe('4')
        ->and(Joint::query()->find($ids['9']))->toBeNull()
        ->and(Pipe::query()->where('line_id', $line['id'])->where('number', '077')->exists())->toBeTrue();
    // Each joint meets the pipe that the one before it ends with, and no number is there twice.
    $joints = Joint::query()->where('line_id', $line['id'])->orderBy('chainage_m')->get();
    foreach ([3, 4, 5] as $i) {
        expect($joints[$i]->pipe_a_id)->toBe($joints[$i - 1]->pipe_b_id);
    }
    $numbers = Pipe::query()->where('line_id', $line['id'])->pluck('plain');
    expect($numbers->unique()->count())->toBe($numbers->count())
        ->and(Pipe::query()->findOrFail($joints->last()->pipe_b_id)->length_m)->toEqual(12)
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);
    // The new joints are made like any other; back again, nothing that was begun moves.
    recordPvcJoint($this, $joints[3]->id);
    $change(6)->assertOk();
    // Joint 4 ends with pipe 2, as it was recorded, which is 6 m long.
    expect($at())->toEqual([1 => 6, 2 => 12, 3 => 18, 4 => 24, 5 => 30, 6 => 36, 7 => 42, 8 => 48, 9 => 54]);
});

it('is planned anew from its beginning where nobody has begun', function () {
    $line = $this->makeLine();
    $this->as('engineer')->patchJson("/api/v1/lines/{$line['id']}", ['reason' => 'other pipes', 'pipe_length_m' => 5])->assertOk();
    $joints = Joint::query()->where('line_id', $line['id'])->orderBy('chainage_m')->get();
    expect($joints->pluck('chainage_m')->all())->toEqual([5, 10, 15])
        ->and($joints->pluck('number')->all())->toBe(['1', '2', '3'])
        ->and(Pipe::query()->where('line_id', $line['id'])->orderBy('plain')->pluck('length_m')->all())->toEqual([5, 5, 5, 3]);
});

/** A line of seven joints, the first two of which were begun, one of them signed. */
function begunLine(Tests\TestCase $test): array
{
    $body = $test->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [48, 48, 0, 11]]]);
    $line = $test->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    recordPvcJoint($test, $line['joints'][0]['id']);
    $test->record('inspector', "subjects/joint/{$line['joints'][0]['id']}", 'accept', ['signed' => true])->assertCreated();
    recordPvcJoint($test, $line['joints'][1]['id']);

    return $line;
}

/** @return callable(array<string, mixed>): Illuminate\Testing\TestResponse */
function correcting(Tests\TestCase $test, string $line): callable
{
    return fn (array $body, string $who = 'engineer') => $test->as($who)
        ->patchJson("/api/v1/lines/{$line}", $body + ['reason' => 'the drawing was read wrongly']);
}

it('is corrected in its pressures: a test that was pumped for less says so, and its section wants another one', function () {
    $line = begunLine($this);
    $change = correcting($this, $line['id']);
    $section = $line['sections'][0]['id'];
    $test = $this->as('foreman')->postJson("/api/v1/sections/{$section}/tests")->assertCreated()->json('id');
    DB::table('pressure_tests')->where('id', $test)->update(['state' => 'accepted', 'verdict' => 'good']);
    $sections = fn (): array => collect($this->as('joiner')->getJson('/api/v1/lines')->json())->firstWhere('id', $line['id'])['sections'];
    expect($sections())->toBe(['total' => 1, 'good' => 1]);

    $page = $change(['mdp_bar' => 12.5])->assertOk()->json();
    $asked = $this->as('joiner')->getJson("/api/v1/sections/{$section}")->json('plan.stp_kpa');
    expect($page['mdp_bar'])->toEqual(12.5)->and($page['design_bar'])->toEqual(6)
        ->and($page['changes'][0]['said'])->toBe('Maximum design pressure corrected from 8 bar to 12.5 bar.')
        ->and($page['sections'][0]['tests'][0]['verdict'])->toBe('good')
        ->and($page['sections'][0]['tests'][0]['asked_kpa'])->toEqual(round($asked, 3))
        ->and($sections())->toBe(['total' => 1, 'good' => 0])
        ->and($this->as('joiner')->getJson("/api/v1/subjects/test/{$test}")->json('asked_kpa'))->toEqual(round($asked, 3))
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);

    // Less than it was pumped for is proved by it.
    expect($change(['mdp_bar' => 7])->assertOk()->json('sections.0.tests.0.asked_kpa'))->toBeNull()
        ->and($sections())->toBe(['total' => 1, 'good' => 1]);
    $change(['mdp_bar' => 5])->assertUnprocessable()->assertJsonPath('errors.0.field', 'mdp_bar');
    $change(['design_bar' => 7.5])->assertUnprocessable()->assertJsonPath('errors.0.field', 'mdp_bar');
    $change(['mdp_bar' => 1000])->assertUnprocessable()->assertJsonPath('errors.0.field', 'mdp_bar');
    $change(['mdp_bar' => 12.5], 'foreman')->assertForbidden();
    expect(Line::query()->findOrFail($line['id'])->mdp_bar)->toBe(7.0);
});

it('is corrected in its pipe: what was begun and what anybody said anything of keeps its own', function () {
    $line = begunLine($this);
    $change = correcting($this, $line['id']);
    $this->as('foreman')->postJson("/api/v1/lines/{$line['id']}/pipes", ['number' => '077'])->assertCreated();
    $before = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$line['joints'][0]['id']}")->json('judgement');
    $pipe = ['material' => 'PVC-U', 'series' => 'metric', 'nominal' => 200, 'sdr' => 17];
    $page = $change($pipe)->assertOk()->json();
    $sizes = Pipe::query()->where('line_id', $line['id'])->orderBy('number')->get()
        ->mapWithKeys(fn (Pipe $p) => [$p->number => $p->size['dn_mm']])->all();
    expect($page['pipe']['dn_mm'])->toEqual(200)
        ->and($page['changes'][0]['said'])->toBe('Pipe still to come: PVC-U, 200 mm, SDR 17 instead of PVC-U, 160 mm, SDR 17.')
        ->and($sizes)->toEqual([
            '001' => 160, '002' => 160, '003' => 200, '004' => 200, '005' => 200, '006' => 200, '007' => 200, '008' => 200, '077' => 160,
        ])
        ->and($this->as('joiner')->getJson("/api/v1/subjects/joint/{$line['joints'][0]['id']}")->json('judgement.verdict'))
        ->toBe($before['verdict'])
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);

    // Of a pipe for which its joints are not meant.
    $change(['material' => 'PE100', 'series' => 'metric', 'nominal' => 160, 'sdr' => 17])
        ->assertUnprocessable()->assertJsonPath('errors.0.field', 'material');
    $change(['material' => 'PVC-U', 'series' => 'metric', 'nominal' => 161, 'sdr' => 17])
        ->assertUnprocessable()->assertJsonPath('errors.0.field', 'nominal');
    $change(['material' => 'PVC-U'])->assertUnprocessable();
    $change(['nominal' => 160])->assertUnprocessable();
    $change($pipe)->assertUnprocessable();
    expect(Line::query()->findOrFail($line['id'])->pipe['dn_mm'])->toEqual(200);
});

it('is corrected in the procedure of its joints: what was begun goes on by the one that it was begun with', function () {
    $line = begunLine($this);
    $change = correcting($this, $line['id']);
    $old = $line['procedure']['hash'];
    $text = App\Models\ProcedureText::query()->findOrFail($old);
    $adapted = Diastoma\Core\Procedure\Procedure::from(['title' => 'Our push-on', 'version' => '2'] + json_decode($text->body, true));
    $new = App\Models\ProcedureText::freeze($adapted, $this->project->id)->hash;
    $page = $change(['procedure_hash' => $new])->assertOk()->json();
    expect($page['procedure']['title'])->toBe('Our push-on')
        ->and($page['changes'][0]['said'])->toBe("Joints not yet begun are made by Our push-on instead of {$text->title}.")
        ->and(array_column($page['joints'], 'procedure_hash'))->toBe([$old, $old, ...array_fill(0, 5, $new)])
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);

    // What a device began before it heard of that, without network, goes on as it was begun; another text of nowhere does not.
    $third = "subjects/joint/{$line['joints'][2]['id']}";
    $first = $adapted->steps[0]->key();
    $of = fn (string $joint) => Joint::query()->findOrFail($joint)->procedure_hash;
    recordPvcJoint($this, $line['joints'][2]['id'], ['procedure' => $old]);
    expect($of($line['joints'][2]['id']))->toBe($old);
    recordPvcJoint($this, $line['joints'][3]['id'], ['procedure' => $new]);
    recordPvcJoint($this, $line['joints'][4]['id'], ['procedure' => str_repeat('0', 64)]);
    // Begun by the old page after the change, a joint is judged by what the line asks for since.
    $late = ['procedure' => $old, 'recorded_at' => now()->addMinute()->format('Y-m-d\TH:i:sP')];
    recordPvcJoint($this, $line['joints'][5]['id'], $late);
    expect($of($line['joints'][5]['id']))->toBe($new);
    expect($of($line['joints'][3]['id']))->toBe($new)->and($of($line['joints'][4]['id']))->toBe($new);

    // Another change of name, and back again: each seal is held against the procedure that stood then.
    $change(['name' => 'Lower line'])->assertOk();
    $change(['procedure_hash' => $old])->assertOk();
    expect(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([])
        ->and($of($line['joints'][3]['id']))->toBe($new)->and($of($line['joints'][6]['id']))->toBe($old);

    $change(['procedure_hash' => str_repeat('0', 64)])->assertUnprocessable()->assertJsonPath('errors.0.field', 'procedure_hash');
    $hash = fn (string $key) => App\Models\ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    foreach (['ef-coupler-hand', 'ef-saddle-tapping', 'constant-pressure-makeup'] as $unsuited) {
        $change(['procedure_hash' => $hash($unsuited)])->assertUnprocessable()->assertJsonPath('errors.0.field', 'procedure_hash');
    }
});

it('finds pressures, a pipe and a procedure that were changed past the record', function () {
    $line = begunLine($this);
    $broken = fn (): string => implode(' ', ExamineSeals::broken(Line::query()->findOrFail($line['id'])));
    expect($broken())->toBe('');
    DB::table('lines')->where('id', $line['id'])->update(['mdp_bar' => 16]);
    expect($broken())->toContain('maximum design pressure');
    correcting($this, $line['id'])(['mdp_bar' => 10])->assertOk();
    expect($broken())->not->toBe('');
});
