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
