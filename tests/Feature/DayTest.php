<?php

use App\Models\Line;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Programme;
use App\Models\Section;
use Carbon\CarbonImmutable;
use Database\Demo\ExampleRun;
use Diastoma\Core\Procedure\Example;
use Illuminate\Support\Str;

/*
 * The days to come of a line, from its procedure, its stores of clamps and hands, and from what is recorded. Times by hand:
 * five joints on 36 m, at a place in Europe/Vienna (UTC+2 in May).
 */

beforeEach(function () {
    $this->usual = [
        'crews' => 1, 'clamps' => 1, 'boxes' => 1, 'move_min' => 5, 'prepare_min' => 20, 'fit_min' => 10, 'fuse_min' => 10,
        'cool_min' => 45, 'rest_min' => 60, 'shift_from' => '07:00', 'shift_to' => '16:30', 'pause_from' => null, 'pause_to' => null,
        'work_days' => [1, 2, 3, 4, 5, 6, 7], 'rain_min' => 0,
    ];
    $this->pushed = ['prepare_min' => 10, 'fit_min' => 5] + $this->usual;
    // A Monday, an hour before the shift.
    $this->travelTo(CarbonImmutable::parse('2026-05-04T06:00:00+02:00'));
    $this->make = fn (string $procedure = 'pvc-spigot-socket', array $more = []): Line => Line::query()
        ->findOrFail($this->makeLine($procedure, $more + ['sections' => [], 'centre_line' => [[0, 0, 0, 10], [36, 36, 0, 11]]])['id']);
    $this->try = fn (Line $line, array $more = []) => $this->as('joiner')
        ->postJson("/api/v1/lines/{$line->id}/day/try", $more + $this->pushed);
});

it('plans what is left joint after joint from the beginning of the shift, by the clock of the place', function () {
    $line = ($this->make)();
    $joints = $line->joints()->get();
    $page = ($this->try)($line)->assertOk()->json();
    expect($page['joints'])->toHaveCount($joints->count())
        ->and(array_column($page['joints'], 'number'))->toBe($joints->pluck('number')->all())
        ->and($page['joints'][0]['prepare_from'])->toBe('2026-05-04T05:00:00Z')
        ->and($page['joints'][0]['joined_at'])->toBe('2026-05-04T05:15:00Z')
        ->and($page['joints'][1]['prepare_from'])->toBe('2026-05-04T05:15:00Z')
        ->and(end($page['joints'])['joined_at'])->toBe($page['test_from'])
        ->and($page['test_from'])->toBe(gmdate('Y-m-d\TH:i:s\Z', strtotime('2026-05-04T05:00:00Z') + 900 * $joints->count()))
        ->and($page['held_up_by'])->toBe(['crew'])
        ->and($page['clamps_use_pct'])->toBeNull();
});

it('starts from what the procedure says of a pipe of this size, and says from where', function () {
    [$line, $welded] = [($this->make)(), ($this->make)('ef-coupler-one-pass')];
    $page = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->assertOk()->json();
    expect(array_column($page['acts'], 'from', 'act'))->toBe(['prepare' => 'text', 'fit' => 'text'])
        ->and(array_column($page['acts'], 'certainty', 'act'))->toBe(['prepare' => 'practice', 'fit' => 'practice'])
        ->and($page['acts'][0]['min'])->toBeGreaterThan(0)
        ->and($page['may_take'])->toBeFalse();
    $fused = $this->as('joiner')->getJson("/api/v1/lines/{$welded->id}/day")->json();
    expect(array_column($fused['acts'], 'act'))->toBe(['prepare', 'fit', 'fuse', 'cool', 'rest'])
        ->and(array_column($fused['acts'], 'certainty', 'act')['cool'])->toBe('memory');
});

it('leaves it open how long it takes where the procedure does not say it and nobody has typed it', function () {
    $text = json_decode(file_get_contents(base_path('core/data/procedures/pvc-spigot-socket.json')), true);
    unset($text['tells']['takes']);
    $body = ['project_id' => $this->project->id, 'procedure' => ['version' => '9'] + $text];
    $hash = $this->as('engineer')->postJson('/api/v1/procedures', $body)->assertCreated()->json('hash');
    $line = ($this->make)(more: ['procedure_hash' => $hash]);
    $page = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->assertOk()->json();
    expect($page['missing'])->toBe(['prepare', 'fit'])
        ->and($page['test_from'])->toBeNull()
        ->and($page['held_up_by'])->toBe([])
        ->and($page['joints'])->toBe([]);
    expect(($this->try)($line)->json('test_from'))->not->toBeNull();
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", ['prepare_min' => null, 'fit_min' => null] + $this->pushed)
        ->assertStatus(422);
    expect(Programme::query()->count())->toBe(0);
});

it('plans on from what is recorded: the crew\'s own pace, and joints that are joined are left', function () {
    $line = ($this->make)();
    $example = Example::shipped()['pvc-spigot-socket'];
    $begun = new DateTimeImmutable('2026-05-04T08:00:00+02:00');
    $this->travelTo(CarbonImmutable::parse('2026-05-04T10:00:00+02:00'));
    foreach ($line->joints()->take(2)->get() as $i => $joint) {
        foreach (ExampleRun::facts($joint, $example, null, $begun->modify("+{$i} hours")) as $fact) {
            $more = ['recorded_at' => $fact['at']->format(DATE_ATOM)];
            $this->record('joiner', "subjects/joint/{$joint->id}", $fact['step'], $fact['value'], $more)->assertCreated();
        }
    }
    $page = ($this->try)($line, ['prepare_min' => null, 'fit_min' => null])->assertOk()->json();
    $facts = $example->facts();
    $minute = fn (string $step): float => collect($facts)->where('step', $step)->first()->at->getTimestamp() / 60;
    expect($page['left'])->toBe($line->joints()->count() - 2)
        ->and($page['made'])->toHaveCount(2)
        ->and(array_column($page['acts'], 'from', 'act'))->toBe(['prepare' => 'crew', 'fit' => 'crew'])
        ->and(array_column($page['acts'], 'joints', 'act'))->toBe(['prepare' => 2, 'fit' => 2])
        ->and($page['acts'][1]['min'])->toEqualWithDelta($minute('gap') - $minute('clean'), 1e-6)
        ->and($page['joints'][0]['prepare_from'])->toBe('2026-05-04T08:00:00Z')
        ->and(collect($page['days'])->firstWhere('date', '2026-05-04')['made']['joints'])->toBe(2);
});

it('holds clamps at a joint that cools, and the test by the clock of what is made', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    $joint = $line->joints()->firstOrFail();
    $cold = '2026-05-04T09:00:00+02:00';
    $this->travelTo(CarbonImmutable::parse('2026-05-04T08:30:00+02:00'));
    // As it is stored when a fusion was judged.
    $joint->update([
        'state' => 'begun', 'left_face' => true,
        'clocks' => ['clamps_off' => $cold, 'test_from' => '2026-05-06T09:00:00+02:00'],
    ]);
    $page = ($this->try)($line, $this->usual)->assertOk()->json();
    expect($page['clamps_at_work'])->toBe(1)
        // Free at 09:00, five minutes on the way; the joint stood ready at 08:50.
        ->and($page['joints'][0]['ready_at'])->toBe('2026-05-04T06:50:00Z')
        ->and($page['joints'][0]['fit_from'])->toBe('2026-05-04T07:05:00Z')
        ->and($page['test_from'])->toBe('2026-05-06T07:00:00Z')
        ->and($page['held_up_by'])->toBe(['made']);
    $two = ($this->try)($line, ['clamps' => 2] + $this->usual)->json();
    expect($two['joints'][0]['fit_from'])->toBe('2026-05-04T06:50:00Z');
});

it('says of a line on which all is made from when it is tested, and that nothing holds it up once the clocks have run out', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    $made = ['state' => 'accepted', 'left_face' => true, 'verdict' => 'good', 'clocks' => ['test_from' => '2026-05-04T08:00:00+02:00']];
    $line->joints()->get()->each(fn ($joint) => $joint->update($made));
    $waits = ($this->try)($line, $this->usual)->json();
    expect($waits['left'])->toBe(0)
        ->and($waits['test_from'])->toBe('2026-05-04T06:00:00Z')
        ->and($waits['held_up_by'])->toBe(['made'])
        ->and($waits['unsigned'])->toBe(0);
    $this->travelTo(CarbonImmutable::parse('2026-05-04T09:00:00+02:00'));
    $line->joints()->firstOrFail()->update(['state' => 'made', 'verdict' => 'open']);
    $free = ($this->try)($line, $this->usual)->json();
    expect($free['test_from'])->toBe('2026-05-04T07:00:00Z')
        ->and($free['held_up_by'])->toBe([])
        ->and($free['unsigned'])->toBe(1)
        ->and($free['bad'])->toBe([]);
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", $this->usual)->assertStatus(422);
});

it('plans what is made in the place of a bad joint, and forgets it when the joint is cut out', function (string $procedure, array $anew) {
    $line = ($this->make)($procedure);
    $bad = $line->joints()->where('number', '2')->firstOrFail();
    $bad->update(['state' => 'made', 'verdict' => 'bad', 'left_face' => true]);
    $usual = $procedure === 'pvc-spigot-socket' ? $this->pushed : $this->usual;
    $try = fn () => $this->as('joiner')->postJson("/api/v1/lines/{$line->id}/day/try", $usual)->assertOk()->json();
    $page = $try();
    expect($page['anew'])->toBe(['2'])->and($page['bad'])->toBe([])
        ->and(array_column($page['joints'], 'number'))->toBe(['1', ...$anew, '3', '4', '5'])
        ->and($page['left'])->toBe(4 + count($anew))
        ->and(array_unique(array_column(array_slice($page['joints'], 1, count($anew)), 'id')))->toBe([$bad->id]);
    $this->as('engineer')->postJson("/api/v1/joints/{$bad->id}/cut-out", ['reason' => 'leaks'])->assertCreated();
    $after = $try();
    expect($after['anew'])->toBe([])->and($after['left'])->toBe(6)->and(array_column($after['joints'], 'number'))->toContain('2A', '2B')
        ->and($line->joints()->whereIn('number', ['2R'])->exists())->toBeFalse();
})->with([
    'it comes apart' => ['pvc-spigot-socket', ['2R']],
    'it is cut out' => ['ef-coupler-one-pass', ['2A', '2B']],
]);

it('remembers what was to hand, and not that it rained', function () {
    $line = ($this->make)();
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", ['rain_min' => 120, 'crews' => 2] + $this->pushed)->assertCreated();
    $asked = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->json('asked');
    expect($asked['rain_min'])->toEqual(0)->and($asked['crews'])->toBe(2);
});

it('starts from what the stores hold that is in date and for this pipe, until somebody says otherwise', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    $dn = $line->pipe['dn_mm'];
    $keep = fn (string $kind, string $name, array $values) => $this->as('foreman')->postJson('/api/v1/stores', [
        'id' => (string) Str::uuid(), 'project_id' => $line->project_id, 'kind' => $kind, 'name' => $name, 'values' => $values,
    ])->assertCreated();
    $page = fn () => $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->assertOk()->json();
    expect($page()['asked'])->toMatchArray(['clamps' => 1, 'boxes' => 1])
        ->and($page()['in_stores'])->toBe(['boxes' => ['usable' => 0, 'there' => 0], 'clamps' => ['usable' => 0, 'there' => 0]]);
    $fits = ['dn_min_mm' => $dn - 50, 'dn_max_mm' => $dn];
    // Two that fit, one for larger pipe, one past its check on this very morning, one of which nobody knows when it is due.
    foreach ([['due_on' => '2026-05-04'], ['due_on' => '2027-05-04'], ['due_on' => '2026-05-03'], []] as $i => $due) {
        $keep('clamp-set', "Clamps {$i}", $due + $fits);
    }
    $keep('clamp-set', 'Large clamps', ['due_on' => '2027-05-04', 'dn_min_mm' => $dn + 1, 'dn_max_mm' => 400]);
    $box = ['efficiency' => 0.85, 'power_factor' => 0.8];
    foreach (['2026-08-01', '2026-09-01', '2026-10-01', '2026-04-30'] as $i => $due) {
        $keep('fusion-box', "Box {$i}", ['due_on' => $due] + $box);
    }
    expect($page()['in_stores'])->toBe(['boxes' => ['usable' => 3, 'there' => 4], 'clamps' => ['usable' => 2, 'there' => 5]])
        ->and($page()['asked'])->toMatchArray(['clamps' => 2, 'boxes' => 3]);
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", ['clamps' => 1] + $this->usual)->assertCreated();
    expect($page()['asked'])->toMatchArray(['clamps' => 1, 'boxes' => 1])->and($page()['in_stores']['clamps']['usable'])->toBe(2);
});

it('asks how long a cold joint waits for its test where a clock holds it and nobody says for how long', function () {
    $text = json_decode(file_get_contents(base_path('core/data/procedures/ef-coupler-one-pass.json')), true);
    $tells = json_decode(file_get_contents(base_path('core/data/tells/electrofusion-coupler.json')), true);
    unset($tells['tested_after']);
    $body = ['project_id' => $this->project->id, 'procedure' => ['version' => '9', 'tells' => $tells] + $text];
    $hash = $this->as('engineer')->postJson('/api/v1/procedures', $body)->assertCreated()->json('hash');
    $line = ($this->make)('ef-coupler-one-pass', ['procedure_hash' => $hash]);
    $silent = ($this->try)($line, ['rest_min' => null] + $this->usual)->json();
    expect($silent['missing'])->toBe(['rest'])->and($silent['test_from'])->toBeNull()
        ->and(($this->try)($line, ['rest_min' => 30] + $this->usual)->json('test_from'))->not->toBeNull();
});

it('plans over nights and free days, says when somebody is there for the test, and how far it can be tested today', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    // One joint in 80 minutes: prepare 20 once, then 65 in the clamps and 5 on the way.
    $page = ($this->try)($line, ['shift_to' => '11:00', 'work_days' => [1]] + $this->usual)->assertOk()->json();
    $cold = array_column($page['joints'], 'cold_at');
    expect($cold[0])->toBe('2026-05-04T06:25:00Z')
        ->and($cold[1])->toBe('2026-05-04T07:35:00Z')
        ->and($cold[2])->toBe('2026-05-04T08:45:00Z')
        ->and($page['today_to'])->toMatchArray(['number' => $page['joints'][1]['number'], 'test_from' => '2026-05-04T08:35:00Z'])
        // The next Monday at the place.
        // The fourth would be cold at 11:55, in the free afternoon: its clamps are put on before 11:00 or not at all.
        ->and(substr($page['joints'][3]['joined_at'], 0, 10))->toBe('2026-05-11');
    expect($page['joints'][4]['joined_at'])->toStartWith('2026-05-11')->and($page['test_at'])->toBe($page['test_from']);
    $never = ($this->try)($line, ['shift_to' => '07:15'] + $this->usual)->json();
    expect($never['test_from'])->toBeNull()->and($never['joints'][0]['joined_at'])->toBeNull();
});

it('holds what is made against what was taken for the plan, of the same section', function () {
    $line = ($this->make)();
    $this->as('joiner')->postJson("/api/v1/lines/{$line->id}/day", $this->pushed)->assertForbidden();
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", $this->pushed)->assertCreated();
    $page = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->json();
    $monday = collect($page['days'])->firstWhere('date', '2026-05-04');
    expect($page['taken']['by'])->toBe($this->people['foreman']->name ?? $page['taken']['by'])
        ->and($page['asked']['prepare_min'])->toEqual(10)
        ->and($monday['plan']['joints'])->toBe($line->joints()->count())
        ->and($monday['to_come']['joints'])->toBe($line->joints()->count())
        ->and($monday['plan']['metres'])->toEqualWithDelta(
            $line->centre_line[array_key_last($line->centre_line)][0] - $line->joints()->first()->chainage_m, 1e-6,
        );
    $this->travelTo(CarbonImmutable::parse('2026-05-05T06:00:00+02:00'));
    $after = $this->as('joiner')->getJson("/api/v1/lines/{$line->id}/day")->json();
    $monday = collect($after['days'])->firstWhere('date', '2026-05-04');
    expect($monday['made']['joints'])->toBe(0)->and($monday['plan']['joints'])->toBe($line->joints()->count());
});

it('refuses what cannot be planned with, by field, and keeps nothing', function (array $wrong, string $field) {
    $line = ($this->make)();
    $answer = $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", $wrong + $this->pushed)->assertStatus(422);
    expect($answer->json('errors.0.field'))->toBe($field)->and(Programme::query()->count())->toBe(0);
})->with([
    'no crew' => [['crews' => 0], 'crews'],
    'half a crew' => [['crews' => 1.5], 'crews'],
    'a time that is none' => [['shift_from' => '7 am'], 'shift_from'],
    'an hour that no day has' => [['shift_from' => '24:00'], 'shift_from'],
    'a shift that ends before it begins' => [['shift_to' => '06:00'], 'shift_to'],
    'a pause without end' => [['pause_from' => '12:00'], 'pause_to'],
    'a pause outside' => [['pause_from' => '17:00', 'pause_to' => '17:30'], 'pause_to'],
    'no day of work' => [['work_days' => []], 'work_days'],
    'a day that no week has' => [['work_days' => [8]], 'work_days.0'],
    'minutes below nothing' => [['prepare_min' => -1], 'prepare_min'],
    'minutes in words' => [['prepare_min' => 'ten'], 'prepare_min'],
    'half a machine' => [['plant' => 0.5], 'plant'],
    'a trench open behind the line' => [['open_ahead' => -1], 'open_ahead'],
    'a test that takes less than nothing' => [['test_min' => -1], 'test_min'],
    'a section of another line' => [['section' => 'b9a1c3de-0000-0000-0000-000000000000'], 'section'],
]);

it('plans saddles while the clamps are at work, and holds the test for them', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    $host = $line->joints()->where('number', '1')->firstOrFail();
    $saddle = ProcedureText::query()->where('key', 'ef-saddle-tapping')->firstOrFail()->hash;
    $add = ['procedure_hash' => $saddle, 'chainage_m' => $host->chainage_m + 2, 'host_id' => $host->id, 'count' => 1];
    $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/joints", $add)->assertCreated();
    $before = ($this->try)($line, $this->usual)->json();
    expect($before['to_hang'])->toBe(1)->and($before['others'])->toBe(0)
        ->and($before['attached'])->toHaveCount(1)
        // Not on a pipe that still cools.
        ->and($before['attached'][0]['prepare_from'])->toBeGreaterThanOrEqual($before['joints'][0]['cold_at'])
        ->and($before['test_from'])->toBeGreaterThanOrEqual($before['attached'][0]['cold_at']);
    // All joints are made, the saddle is not: there is no test yet.
    $made = ['state' => 'accepted', 'left_face' => true, 'verdict' => 'good', 'clocks' => ['test_from' => '2026-05-04T06:00:00+02:00']];
    $line->joints()->where('place', 'in-line')->get()->each(fn ($joint) => $joint->update($made));
    $left = ($this->try)($line, $this->usual)->json();
    expect($left['left'])->toBe(0)->and($left['to_hang'])->toBe(1)
        ->and($left['attached'][0]['prepare_from'])->toBe('2026-05-04T05:00:00Z')
        ->and($left['test_from'])->toBeGreaterThan($left['attached'][0]['joined_at'])
        ->and($left['today_to'])->toBeNull();
    $this->as('foreman')->postJson("/api/v1/lines/{$line->id}/day", $this->usual)->assertCreated();
    // A bad one holds the test as any joint does.
    $line->joints()->where('place', '!=', 'in-line')->firstOrFail()->update(['verdict' => 'bad'] + $made);
    expect(($this->try)($line, $this->usual)->json('bad'))->toHaveCount(1);
});

it('does not plan what hangs on the line where nobody knows how long it takes, and says so', function () {
    $line = ($this->make)('ef-coupler-one-pass');
    $host = $line->joints()->where('number', '1')->firstOrFail();
    $tap = ProcedureText::query()->where('key', 'tap-dry')->firstOrFail()->hash;
    $add = ['procedure_hash' => $tap, 'chainage_m' => $host->chainage_m + 2, 'host_id' => $host->id, 'count' => 1];
    $this->as('engineer')->postJson("/api/v1/lines/{$line->id}/joints", $add)->assertCreated();
    $page = ($this->try)($line, $this->usual)->json();
    expect($page['to_hang'])->toBe(0)->and($page['others'])->toBe(1)->and($page['attached'])->toBe([]);
});

it('waits for the machine that opens the trench, where somebody says how long that takes', function () {
    $line = ($this->make)();
    $opens = ($this->try)($line, ['open_min' => 40])->assertOk()->json();
    // Five joints, 40 minutes each, then the last is fitted.
    expect($opens['test_from'])->toBe('2026-05-04T08:25:00Z')
        ->and($opens['held_up_by'])->toBe(['plant'])
        ->and($opens['joints'][0]['opened_at'])->toBe('2026-05-04T05:40:00Z')
        ->and($opens['plant_use_pct'])->toEqualWithDelta(100 * 200 / 265, 1e-6);
    $ahead = ($this->try)($line, ['open_min' => 40, 'open_ahead' => 2])->json();
    expect($ahead['test_from'])->toBe('2026-05-04T07:05:00Z')->and($ahead['joints'][1]['opened_at'])->toBeNull();
    $two = ($this->try)($line, ['open_min' => 40, 'plant' => 2])->json();
    expect($two['test_from'])->toBeLessThan($opens['test_from']);
    $none = ($this->try)($line)->json();
    expect($none['plant_use_pct'])->toBeNull()->and(array_column($none['one_more'], 'of'))->not->toContain('plant');
});

it('begins the test when hands are there until it is over', function () {
    $line = ($this->make)('ef-coupler-one-pass', ['sections' => $this->lineBody('ef-coupler-one-pass')['sections']]);
    $section = $line->sections()->firstOrFail()->id;
    $made = ['state' => 'accepted', 'left_face' => true, 'verdict' => 'good', 'clocks' => ['test_from' => '2026-05-04T14:30:00+02:00']];
    $line->joints()->get()->each(fn ($joint) => $joint->update($made));
    $page = fn (?float $min) => ($this->try)($line, ['section' => $section, 'test_min' => $min] + $this->usual)->assertOk()->json();
    expect($page(null))->toMatchArray(['test_at' => '2026-05-04T12:30:00Z', 'test_to' => null, 'test_fits' => null])
        // To the end of work at 16:30 exactly.
        ->and($page(120))->toMatchArray(['test_at' => '2026-05-04T12:30:00Z', 'test_to' => '2026-05-04T14:30:00Z', 'test_fits' => true])
        ->and($page(121))->toMatchArray(['test_at' => '2026-05-05T05:00:00Z', 'test_to' => '2026-05-05T07:01:00Z', 'test_fits' => true])
        // Longer than any day of work: somebody stays with it.
        ->and($page(1440))->toMatchArray(['test_at' => '2026-05-04T12:30:00Z', 'test_to' => '2026-05-05T12:30:00Z', 'test_fits' => false])
        ->and($page(121)['test'])->toMatchArray(['min' => 121, 'from' => 'typed']);
    expect(collect($page(121)['days'])->firstWhere('date', '2026-05-05')['to_come']['tests'])->toBe(1);
});

it('knows how long a test takes from those that were passed by the same method, and from no other', function () {
    $line = ($this->make)('ef-coupler-one-pass', ['sections' => $this->lineBody('ef-coupler-one-pass')['sections']]);
    $section = $line->sections()->firstOrFail();
    $other = ProcedureText::query()->where('hash', '!=', $section->method_hash)->firstOrFail()->hash;
    $elsewhere = $section->replicate()->fill(['id' => (string) Str::uuid(), 'method_hash' => $other]);
    $elsewhere->save();
    /** A signed test, its entries so many minutes after the first; the last one is a correction. */
    $signed = function (Section $of, string $verdict, array $minutes, ?int $corrected = null): void {
        $test = PressureTest::query()->create([
            'id' => (string) Str::uuid(), 'section_id' => $of->id, 'number' => $of->tests()->count() + 1, 'context' => [],
            'state' => 'accepted', 'verdict' => $verdict, 'sealed_at' => now(),
        ]);
        foreach ($minutes as $i => $min) {
            $first = $test->facts()->create([
                'id' => (string) Str::uuid(), 'step' => "step-{$i}", 'value' => [], 'typed' => [],
                'recorded_at' => CarbonImmutable::parse('2026-05-01T08:00:00+02:00')->addMinutes($min)->format('Y-m-d\\TH:i:sP'),
                'user_id' => $this->people['engineer']->id, 'role' => 'engineer', 'body_hash' => hash('sha256', "{$test->id}{$i}"),
                'supersedes' => $min === $corrected ? $first->id : null, 'reason' => $min === $corrected ? 'Typed wrong' : null,
            ]);
        }
    };
    $known = fn (): array => $this->as('engineer')->getJson("/api/v1/lines/{$line->id}/day?section={$section->id}")->json('test');
    $nobody = ['min' => null, 'from' => null, 'joints' => 0];
    $signed($section, 'bad', [0, 5]);
    $signed($section, 'open', [0, 7]);
    $signed($elsewhere, 'good', [0, 999]);
    expect($known())->toMatchArray($nobody);
    $signed($section, 'good', [0, 30, 60]);
    $signed($section, 'close', [0, 100]);
    // What is corrected a day later did not take a day.
    $signed($section, 'good', [0, 70, 1440], corrected: 1440);
    // One entry tells no time.
    $signed($section, 'good', [0]);
    expect($known())->toMatchArray(['from' => 'crew', 'joints' => 3])->and($known()['min'])->toEqualWithDelta(70.0, 1e-9);
});

it('is seen by nobody of another project', function () {
    $line = ($this->make)();
    foreach (['getJson' => ['day'], 'postJson' => ['day/try', $this->pushed]] as $verb => $args) {
        $args[0] = "/api/v1/lines/{$line->id}/{$args[0]}";
        $this->as('stranger')->{$verb}(...$args)->assertNotFound();
    }
});

it('asks of a long line no more than of a short one: joints are read once', function () {
    $line = ($this->make)();
    DB::enableQueryLog();
    ($this->try)($line)->assertOk();
    expect(count(DB::getQueryLog()))->toBeLessThan(20);
});
