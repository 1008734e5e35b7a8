<?php

use App\Actions\ExamineSeals;
use App\Actions\ListWaiting;
use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\ProcedureText;
use Database\Demo\Demo;
use Diastoma\Core\Procedure\Example;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

it('makes a line with planned joints and refuses nonsense with the field named', function () {
    $line = $this->makeLine();
    expect(array_column($line['joints'], 'number'))
        ->toBe(['1', '2'])
        ->and($line['joints'][0]['state'])
        ->toBe('planned')
        ->and($line['sections'])
        ->toHaveCount(1);
    foreach (
        [
            ['dn_mm', ['dn_mm' => 161], 'nominal'],
            ['mdp_bar', ['mdp_bar' => 2], 'mdp_bar'],
            ['centre_line', ['centre_line' => [[0, 0, 0, 10], [0, 1, 0, 11]]], 'centre_line'],
            ['name', ['name' => ''], 'name'],
            ['procedure', ['procedure_hash' => str_repeat('0', 64)], 'procedure_hash'],
            [
                'section',
                [
                    'sections' => [
                        ['name' => 'x', 'from_m' => 5, 'to_m' => 500, 'method_hash' => $this->lineBody()['sections'][0]['method_hash']],
                    ],
                ],
                'to_m',
            ],
        ] as [, $wrong, $field]
    ) {
        $answer = $this->as('engineer')
            ->postJson('/api/v1/lines', $wrong + $this->lineBody())
            ->assertUnprocessable()
            ->assertHeader('Content-Type', 'application/problem+json');
        expect($answer->json('errors.0.field'))->toBe($field)->and($answer->json('errors.0.message'))->toBeString();
    }
    expect(Line::query()->count())->toBe(1);
});

it('stores a fact sent twice once, and refuses another content under the same id', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $id = (string) Str::uuid();
    $value = ['pipe_a' => '1', 'pipe_b' => '2'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', $value, ['id' => $id])->assertCreated()->assertJsonPath('stored', true);
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', $value, ['id' => $id])->assertOk()->assertJsonPath('stored', false);
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '9', 'pipe_b' => '2'], ['id' => $id])->assertConflict();
    expect(Fact::query()->count())->toBe(1);
});

it('supersedes with a reason instead of overwriting', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $first = (string) Str::uuid();
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 40], ['id' => $first])
        ->assertCreated()
        ->assertJsonPath('judgement.verdict', 'bad');
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 17])->assertConflict();
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 17], ['supersedes' => $first])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'reason');
    $this->record(
        'joiner',
        "subjects/joint/{$joint}",
        'chamfer',
        ['length_mm' => 17],
        ['supersedes' => $first, 'reason' => 'read from the wrong end'],
    )->assertCreated();
    expect(Fact::query()->count())
        ->toBe(2)
        ->and(Fact::query()->where('id', $first)->first()->value)
        ->toBe(['length_mm' => 40]);
    expect(
        $this->as('joiner')
            ->getJson("/api/v1/subjects/joint/{$joint}")
            ->json('facts'),
    )->toHaveCount(2);
});

it('never changes or deletes a fact', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    $fact = Fact::query()->firstOrFail();
    expect(fn () => $fact->update(['step' => 'gap']))
        ->toThrow(LogicException::class)
        ->and(fn () => $fact->delete())
        ->toThrow(LogicException::class);
});

it('says all that is wrong with an entry and stores nothing of it', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    foreach (
        [
            ['chamfer', ['length_mm' => 1000], 'length_mm', 'Length along the pipe: 1000 mm is outside 1 to 100 mm'],
            ['chamfer', ['length_mm' => '12,345.6.7 mm'], 'length_mm', 'decimal mark'],
            ['chamfer', [], 'length_mm', 'missing'],
            ['chamfer', ['length_mm' => 10, 'length_in' => 1], 'length_mm', 'several units'],
            ['cut', ['readings' => [['clock' => '13:00', 'value_mm' => 1]]], 'readings', 'clock position'],
            ['cut', ['readings' => []], 'readings', '1 to 200'],
            ['clean', ['clean' => 'perhaps', 'seated' => true, 'lubricated' => true], 'clean', 'yes or no'],
            ['nonsense', ['x' => 1], 'step', 'no step'],
        ] as [$step, $value, $field, $says]
    ) {
        $answer = $this->record(
            'joiner',
            "subjects/joint/{$joint}",
            $step,
            $value === [] ? ['remark' => ''] : $value,
        )->assertUnprocessable();
        expect($answer->json('errors.0.field'))->toBe($field)->and($answer->json('errors.0.message'))->toContain($says);
    }
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'], ['recorded_at' => '2026-05-04 10:00'])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'recorded_at');
    expect(Fact::query()->count())->toBe(0);
});

it('lets roles do what they may and strangers nothing', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    $this->as('joiner')->postJson('/api/v1/lines', $this->lineBody())->assertForbidden();
    $this->record('joiner', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertForbidden();
    $this->as('joiner')
        ->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'bad'])
        ->assertForbidden();
    $this->as('joiner')
        ->postJson("/api/v1/lines/{$line['id']}/sections", [
            'name' => 'x',
            'from_m' => 0,
            'to_m' => 6,
            'method_hash' => $this->lineBody()['sections'][0]['method_hash'],
        ])
        ->assertForbidden();
    foreach (
        [
            "lines/{$line['id']}",
            "subjects/joint/{$joint}",
            "sections/{$line['sections'][0]['id']}",
            "lines/{$line['id']}/register",
            "lines/{$line['id']}/register.csv",
        ] as $path
    ) {
        $this->as('stranger')
            ->getJson("/api/v1/{$path}")
            ->assertNotFound();
    }
    $this->record('stranger', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertNotFound();
    expect($this->as('stranger')->getJson('/api/v1/lines')->json())->toBe([]);
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])
        ->assertCreated()
        ->assertJsonPath('state', 'accepted');
});

it('wants somebody to be signed in', function () {
    $this->getJson('/api/v1/lines')->assertUnauthorized();
    $this->postJson('/api/v1/session', ['email' => 'joiner@test.example', 'password' => 'wrong'])->assertUnprocessable();
});

it('refuses too many tries to sign in', function () {
    foreach (range(1, 8) as $_) {
        $this->postJson('/api/v1/session', ['email' => 'x@test.example', 'password' => 'wrong'])->assertUnprocessable();
    }
    $this->postJson('/api/v1/session', ['email' => 'x@test.example', 'password' => 'wrong'])->assertTooManyRequests();
});

it('signs only what is good, seals it, and shows a later change', function () {
    $line = $this->makeLine();
    [$one, $two] = array_column($line['joints'], 'id');
    $this->record('inspector', "subjects/joint/{$one}", 'accept', ['signed' => true])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'signed');
    foreach ([$one, $two] as $joint) {
        recordPvcJoint($this, $joint);
        $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    }
    $this->record('joiner', "subjects/joint/{$one}", 'push', ['in_line' => true, 'closed' => true])->assertAccepted();
    $model = Line::query()->findOrFail($line['id']);
    expect(ExamineSeals::broken($model))->toBe([]);
    DB::table('facts')->where('subject_id', $one)->where('step', 'chamfer')->update(['value' => '{"length_mm":15}']);
    expect(ExamineSeals::broken($model))
        ->toHaveCount(1)
        ->and(ExamineSeals::broken($model)[0])
        ->toContain('holds something else than was sealed');
});

it('cuts a joint out: it stays, two new ones take its place', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->as('inspector')->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'cracked'])->assertUnprocessable();
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 40])->assertCreated();
    $new = $this->as('inspector')->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'feather edge'])->assertCreated()->json();
    expect(array_column($new, 'number'))->toBe(['1A', '1B']);
    $this->as('inspector')->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'again'])->assertConflict();
    $this->record('joiner', "subjects/joint/{$joint}", 'push', ['in_line' => true, 'closed' => true])->assertAccepted();
    $after = $this->as('joiner')
        ->getJson("/api/v1/lines/{$line['id']}")
        ->json('joints');
    expect(array_column($after, 'number'))
        ->toBe(['1A', '1', '1B', '2'])
        ->and($after[1]['state'])
        ->toBe('cut-out')
        ->and($after[0]['replaces_id'])
        ->toBe($joint);
});

it('pulls a joint apart and joins the same pipes again, and keeps both tries', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $apart = fn (string $id, string $role = 'joiner') => $this->as($role)
        ->postJson("/api/v1/joints/{$id}/cut-out", ['reason' => 'gasket rolled', 'pulled_apart' => true]);
    // Nothing was begun yet: there is nothing to pull apart.
    $apart($joint)->assertUnprocessable();
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 40])->assertCreated();
    // Whoever records may say it; to cut out is ordered by others.
    $this->as('joiner')->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'gasket rolled'])->assertForbidden();
    $apart($joint, 'stranger')->assertNotFound();
    $again = $apart($joint)->assertCreated()->assertJsonCount(1)->assertJsonPath('0.number', '1R')->json('0.id');
    $apart($joint)->assertConflict();
    $this->record('joiner', "subjects/joint/{$joint}", 'push', ['in_line' => true, 'closed' => true])->assertAccepted();
    expect(Joint::query()->findOrFail($again)->only(['pipes', 'replaces_id', 'chainage_m', 'pulled_apart']))
        ->toBe(['pipes' => ['a' => '001', 'b' => '002'], 'replaces_id' => $joint, 'chainage_m' => 6.0, 'pulled_apart' => false]);
    // A third try is the third, not the second of the second.
    $this->record('joiner', "subjects/joint/{$again}", 'chamfer', ['length_mm' => 40])->assertCreated();
    $third = $apart($again)->assertCreated()->assertJsonPath('0.number', '1R2')->json('0.id');
    $rows = $this->as('inspector')->getJson("/api/v1/lines/{$line['id']}/register")->json('joints');
    expect(array_column(array_filter($rows, fn ($r) => $r['state'] === 'pulled-apart'), 'joint'))
        ->toBe(['1', '1R'])
        ->and($this->as('joiner')->getJson("/api/v1/subjects/joint/{$third}")->json('replaces'))
        ->toMatchArray(['number' => '1R', 'pulled_apart' => true]);
    // What was accepted is cut out, by order.
    recordPvcJoint($this, $third);
    $this->record('inspector', "subjects/joint/{$third}", 'accept', ['signed' => true])->assertCreated();
    $apart($third)->assertConflict();
});

it('pulls nothing apart that is fused', function () {
    $joint = $this->makeLine('ef-coupler-one-pass')['joints'][0]['id'];
    Joint::query()->whereKey($joint)->update(['state' => 'begun']);
    $this->as('joiner')
        ->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'looks bad', 'pulled_apart' => true])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'pulled_apart');
});

it('reads what was done lately by the time of the device, and to nobody else', function () {
    $line = $this->makeLine();
    [$one, $two] = array_column($line['joints'], 'id');
    $first = (string) Str::uuid();
    $this->record(
        'joiner',
        "subjects/joint/{$one}",
        'chamfer',
        ['length_mm' => 40],
        ['id' => $first, 'recorded_at' => '2026-05-04T10:00:00+02:00'],
    )->assertCreated();
    $this->record(
        'joiner',
        "subjects/joint/{$one}",
        'chamfer',
        ['length_mm' => 14],
        ['supersedes' => $first, 'reason' => 'cut anew', 'recorded_at' => '2026-05-04T11:00:00+02:00'],
    )->assertCreated();
    // Sent last, done first: it lay on a phone without network.
    $this->record(
        'joiner',
        "subjects/joint/{$two}",
        'pipes',
        ['pipe_a' => '2', 'pipe_b' => '3'],
        ['recorded_at' => '2026-05-04T08:30:00Z'],
    )->assertCreated();
    $log = $this->as('joiner')
        ->getJson("/api/v1/lines/{$line['id']}/log")
        ->assertOk()
        ->json();
    expect(array_map(fn ($e) => [$e['name'], $e['title'], $e['again']], $log))->toBe([
        ['Joint 1', 'Chamfer', true], ['Joint 2', 'The two pipes', false], ['Joint 1', 'Chamfer', false],
    ]);
    $this->as('stranger')->getJson("/api/v1/lines/{$line['id']}/log")->assertNotFound();
});

it('shows what was typed where it is not the stored value itself', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => '9/16 in'])->assertCreated();
    $this->record('joiner', "subjects/joint/{$joint}", 'mark', ['depth_in' => 5.5, 'mark_mm' => 125])->assertCreated();
    $facts = collect(
        $this->as('joiner')
            ->getJson("/api/v1/subjects/joint/{$joint}")
            ->json('facts'),
    )->keyBy('step');
    expect($facts['chamfer']['typed'])
        ->toBe(['length_mm' => '9/16 in'])
        ->and($facts['chamfer']['value']['length_mm'])
        ->toEqualWithDelta(14.2875, 1e-9)
        ->and($facts['mark']['typed'])
        ->toBe(['depth_in' => 5.5])
        ->and($facts['mark']['value']['depth_mm'])
        ->toEqualWithDelta(139.7, 1e-9);
});

it('takes no procedure and no method that is not meant for the pipe, and says why', function () {
    $hash = fn (string $key) => App\Models\ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $made = fn (array $body) => $this->as('engineer')->postJson('/api/v1/lines', $body + $this->lineBody('ef-coupler-one-pass'));
    $made(['procedure_hash' => $hash('pvc-spigot-socket')])
        ->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'procedure_hash')
        ->assertSee('It is for PVC-U, and this is PE100.');
    $section = $this->lineBody('ef-coupler-one-pass')['sections'][0];
    $made(['sections' => [['method_hash' => $hash('constant-pressure-makeup')] + $section]])
        ->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'method_hash')
        ->assertSee('a tight pipe would be called leaking');
    expect(App\Models\Line::query()->count())->toBe(0);
    $line = $made([])->assertCreated()->json();
    $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/joints", ['procedure_hash' => $hash('pvc-spigot-socket'), 'chainage_m' => 7])
        ->assertStatus(422)
        ->assertSee('It is for PVC-U, and this is PE100.');
    $offered = collect($this->as('engineer')->getJson('/api/v1/procedures?material=PE100&dn_mm=110')->assertOk()->json())->keyBy('key');
    expect($offered['ef-coupler-one-pass']['unsuited'])
        ->toBe([])
        ->and($offered['ef-coupler-hand']['unsuited'])
        ->toBe(['It is for 63 mm at most, and this is 110 mm. A larger pipe is not scraped evenly by hand.'])
        ->and($this->as('engineer')->getJson('/api/v1/procedures?dn_mm=wide')->assertStatus(422)->json('errors.0.field'))
        ->toBe('dn_mm')
        ->and($this->as('engineer')->getJson('/api/v1/procedures?limits=all')->assertStatus(422)->json('errors.0.field'))
        ->toBe('limits');
    // Limits and steps are long: they come for who compares.
    $compared = collect($this->as('engineer')->getJson('/api/v1/procedures?limits=1')->assertOk()->json())->keyBy('key');
    $hand = Procedure::shipped()['ef-coupler-hand'];
    expect($offered['ef-coupler-hand'])
        ->not->toHaveKeys(['parameters', 'steps'])
        ->and(array_keys($compared['ef-coupler-hand']['parameters']))
        ->toBe(array_keys($hand->parameters))
        ->and($compared['ef-coupler-hand']['steps'][0])
        ->toBe(['id' => $hand->steps[0]->id, 'title' => $hand->steps[0]->plainTitle()]);
});

it('offers to a joint what others of its line and project have recorded, and nothing of its own or of strangers', function () {
    $line = $this->makeLine('ef-coupler-one-pass');
    [$first, $second] = array_column($line['joints'], 'id');
    $weather = ['air_c' => 14, 'rh_pct' => 60, 'pipe_c' => 13, 'fitting_c' => 14, 'wind_ms' => 2, 'rain' => false];
    $offers = fn (string $joint): array => $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertOk()->json('offers');
    expect($offers($second))->toBe([]);
    $this->record('joiner', "subjects/joint/{$first}", 'conditions', $weather)->assertCreated();
    expect($offers($first))
        ->toBe([])
        ->and($offers($second))
        ->toHaveCount(1)
        ->and($offers($second)[0])
        ->toMatchArray(['step' => 'conditions', 'value' => $weather, 'of' => 'Joint 1', 'within_min' => 120]);
    // Entered again it is what counts; the label of a fitting comes with the code that must be the same.
    $fact = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$first}")->json('facts.0.id');
    $misread = ['supersedes' => $fact, 'reason' => 'misread'];
    $this->record('joiner', "subjects/joint/{$first}", 'conditions', ['air_c' => 9] + $weather, $misread)
        ->assertCreated();
    $this->record('joiner', "subjects/joint/{$first}", 'code', ['code' => '010000110395160210150022'])->assertCreated();
    $apart = ['cooling_min' => 12, 'sdr_min' => 11, 'sdr_max' => 17, 'coupling_mm' => 180];
    $label = ['dn_mm' => 160, 'voltage_v' => 39.5, 'time_s' => 150] + $apart;
    $this->record('joiner', "subjects/joint/{$first}", 'label', $label)->assertCreated();
    $all = collect($offers($second))->keyBy('step');
    expect($all['conditions']['value']['air_c'])
        ->toBe(9)
        ->and($all['label']['same'])
        ->toBe('010000110395160210150022')
        // What its own code says is read off each fitting.
        ->and($all['label']['value'])
        ->toBe($apart);
    $other = $this->as('engineer')
        ->postJson('/api/v1/lines', $this->lineBody('ef-coupler-one-pass', ['name' => 'Another']))
        ->json('joints.0.id');
    // Weather is of the line; a label is of the project.
    expect(array_column($offers($other), 'step'))->toBe(['label']);
});

it('offers no label of another kind of fitting, whatever its step is called', function () {
    $iron = ['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 150, 'sections' => []];
    $body = array_diff_key($this->lineBody('bolted-coupling', $iron), ['dn_mm' => 1, 'sdr' => 1]);
    $line = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    $hash = ProcedureText::query()->where('key', 'wrap-clamp')->firstOrFail()->hash;
    $clamp = $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/joints", ['procedure_hash' => $hash, 'chainage_m' => 4])
        ->assertCreated()
        ->json('0.id');
    $label = Example::shipped()['bolted-coupling']->facts()[1]->value;
    $this->record('joiner', "subjects/joint/{$line['joints'][0]['id']}", 'label', $label)->assertCreated();
    $offered = fn (string $joint): array => $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertOk()->json('offers');
    expect(array_column($offered($line['joints'][1]['id']), 'step'))->toBe(['label'])->and($offered($clamp))->toBe([]);
});

it('leaves nothing out of what waits for a person because much else does', function () {
    $line = $this->makeLine('pvc-spigot-socket', ['centre_line' => [[0, 0, 0, 9], [60, 60, 0, 9]], 'sections' => []]);
    [$bad, $begun] = [['begun', 'bad'], ['begun', 'open']];
    $stands = [$bad, $bad, $bad, $begun, $begun, $begun, ['made', 'good']];
    foreach ($stands as $i => [$state, $verdict]) {
        Joint::query()
            ->whereKey($line['joints'][$i]['id'])
            ->update(['state' => $state, 'verdict' => $verdict, 'next_step' => $state === 'made' ? 'accept' : 'cut']);
    }
    $few = new ListWaiting(2);
    $waits = fn (string $who): array => array_map(fn (array $row) => "{$row['what']} {$row['name']}", $few($this->people[$who]));
    expect($waits('inspector'))
        ->toBe(['bad Joint 1', 'bad Joint 2', 'sign Joint 7'])
        ->and($waits('joiner'))
        ->toBe(['bad Joint 1', 'bad Joint 2', 'go-on Joint 4', 'go-on Joint 5']);
});

it('lists what waits for a person in their role, and finds nothing of other projects', function () {
    $line = $this->makeLine('pvc-spigot-socket');
    $joint = $line['joints'][0]['id'];
    $waiting = fn (string $who): array => array_column($this->as($who)->getJson('/api/v1/waiting')->assertOk()->json(), 'what', 'name');
    expect($waiting('joiner'))->toBe([]);
    $facts = Demo::pvcFacts(['a' => '1', 'b' => '2']);
    foreach ($facts as $i => [$step, $value]) {
        $this->record('joiner', "subjects/joint/{$joint}", $step, $value)->assertCreated();
        if ($i === 0) {
            expect($waiting('joiner'))->toBe(['Joint 1' => 'go-on'])->and($waiting('inspector'))->toBe([]);
        }
    }
    expect($waiting('joiner'))
        ->toBe([])
        ->and($waiting('inspector'))
        ->toBe(['Joint 1' => 'sign'])
        ->and($waiting('stranger'))
        ->toBe([]);
    $find = fn (string $who, string $text): array => array_column(
        $this->as($who)->getJson('/api/v1/find?q='.urlencode($text))->assertOk()->json(),
        'kind',
        'name',
    );
    expect($find('joiner', 'test li'))
        ->toBe(['Test line' => 'line'])
        ->and($find('joiner', '1'))
        ->toHaveKey('Joint 1')
        ->and($find('joiner', '%'))
        ->toBe([])
        ->and($find('joiner', ' '))
        ->toBe([])
        ->and($find('stranger', 'test'))
        ->not->toHaveKey('Test line');
    $people = $this->as('joiner')->getJson('/api/v1/people')->assertOk()->json();
    expect(array_column($people[0]['people'], 'role', 'name'))
        ->toBe(['Engineer' => 'engineer', 'Foreman' => 'foreman', 'Inspector' => 'inspector', 'Joiner' => 'joiner'])
        ->and($this->as('stranger')->getJson('/api/v1/people')->json())
        ->toBe([]);
});
