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
