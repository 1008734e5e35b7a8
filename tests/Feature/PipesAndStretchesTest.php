<?php

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Pipe;
use App\Models\PipeWord;
use App\Models\ProcedureText;
use Illuminate\Support\Str;

beforeEach(function () {
    $this->pipes = fn (string $line): Illuminate\Support\Collection => collect(
        $this->as('joiner')
            ->getJson("/api/v1/lines/{$line}/pipes")
            ->assertOk()
            ->json(),
    )->keyBy('number');
});

it('plans a pipe for each length of the line, and its joints refer to them', function () {
    $line = $this->makeLine();
    $pipes = ($this->pipes)($line['id']);
    expect($pipes->keys()->all())
        ->toBe(['001', '002', '003'])
        ->and($pipes['002'])
        ->toMatchArray(['state' => 'to-hand', 'joints' => ['1', '2'], 'length_m' => 6])
        ->and($pipes['002']['pipe'])
        ->toMatchArray(['material' => $line['pipe']['material'], 'sdr' => $line['pipe']['sdr']])
        ->and(Joint::query()->whereNull('pipe_a_id')->orWhereNull('pipe_b_id')->count())
        ->toBe(0);
});

it('finds the pipe that is typed at the trench however it is spelt, and makes one that nobody planned', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => ' b 7 '])->assertCreated();
    $now = Joint::query()->findOrFail($joint);
    expect($now->pipes)->toBe(['a' => '001', 'b' => 'b 7'])->and(Pipe::query()->findOrFail($now->pipe_a_id)->number)->toBe('001')
        ->and(Pipe::query()->where('line_id', $line['id'])->count())->toBe(4)
        // The size of a pipe that nobody planned is that of the line, until somebody says otherwise.
        ->and(Pipe::query()->findOrFail($now->pipe_b_id)->size['od_mm'])->toEqual($line['pipe']['od_mm']);
});

it('makes a line of iron by its DN, whose wall goes by class, and offers what suits it', function () {
    $iron = ['material' => 'Ductile iron', 'series' => 'dn', 'nominal' => 200, 'sdr' => null];
    $makeup = $this->lineBody()['sections'];
    $make = fn (array $body) => $this->as('engineer')->postJson('/api/v1/lines', $body);
    $line = $make($iron + ['sections' => $makeup] + $this->lineBody('iron-push-on'))
        ->assertCreated()
        ->json();
    expect($line['pipe'])->toMatchArray(['size' => 'DN 200', 'od_mm' => 222, 'wall_mm' => 6.3, 'wall_as' => 'class']);
    // What is for plastic is refused with its reason, and so is iron in a series that it does not have.
    $make($iron + ['sections' => []] + $this->lineBody('pvc-spigot-socket'))
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'procedure_hash');
    $make(['series' => 'metric'] + $iron + ['sections' => []] + $this->lineBody('iron-push-on'))
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'series');
    $path = "subjects/joint/{$line['joints'][0]['id']}";
    $this->record('joiner', $path, 'two-pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'spigot' => 'factory'])->assertCreated();
    $this->record('joiner', $path, 'gasket', ['belongs' => true, 'gasket_c' => 1])
        ->assertCreated()
        ->assertJsonPath('judgement.verdict', 'bad');
    // The make-up allowance goes by the nominal size, not by the diameter.
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")->assertCreated()->json('id');
    expect(App\Models\PressureTest::query()->findOrFail($test)->context['allowance_segments'][0]['dn_mm'])->toEqual(200);
});

it('lists the materials of the core, and the description of the interface knows them and their series', function () {
    $known = $this->as('joiner')->getJson('/api/v1/materials')->assertOk()->json();
    $line = $this->getJson('/api/v1/openapi.json')->json('components.schemas.NewLine.properties');
    expect(array_keys($known))->toBe(Diastoma\Core\Pipe\Material::names())
        ->and($line['material']['enum'])->toBe(array_keys($known))
        ->and($line['series']['enum'])->toEqualCanonicalizing(array_values(array_unique(array_merge(...array_column($known, 'series')))));
});

it('joins two materials and sizes on one line: each end is judged by its own pipe, and what they must share is not assumed', function () {
    $line = $this->as('engineer')
        ->postJson('/api/v1/lines', ['dn_mm' => 110, 'sdr' => 11] + $this->lineBody('ef-coupler-one-pass'))
        ->assertCreated()
        ->json();
    $pipes = ($this->pipes)($line['id']);
    $this->as('joiner')
        ->patchJson("/api/v1/pipes/{$pipes['002']['id']}", ['sdr' => 17])
        ->assertForbidden();
    $this->as('foreman')
        ->patchJson("/api/v1/pipes/{$pipes['002']['id']}", ['nominal' => 110, 'sdr' => 17])
        ->assertOk()
        ->assertJsonPath('pipe.wall_mm', 6.6);
    $this->as('engineer')
        ->patchJson("/api/v1/pipes/{$pipes['003']['id']}", ['material' => 'PVC-U', 'nominal' => 110, 'sdr' => 26])
        ->assertOk()
        ->assertJsonPath('pipe.material', 'PVC-U');
    $joint = $line['joints'][0]['id'];
    $context = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->json('context');
    expect($context)->not->toHaveKey('sdr')->and($context)->toMatchArray(['material' => 'PE100', 'dn_mm' => 110])
        ->and($context['ends']['a']['sdr'])->toEqual(11)->and($context['ends']['b']['sdr'])->toEqual(17);
    // A scratch of 0.8 mm is less than a tenth of the wall of the first pipe and more than a tenth of the second's.
    $gouge = fn (string $side) => collect(
        $this->record('joiner', "subjects/joint/{$joint}", "gouge@{$side}", ['depth_mm' => 0.8, 'under' => false])
            ->assertCreated()
            ->json('judgement.steps'),
    )->firstWhere('key', "gouge@{$side}")['verdict'];
    expect($gouge('a'))->not->toBe('bad')->and($gouge('b'))->toBe('bad');
    $said = fn (array $label) => collect(
        $this->record(
            'joiner',
            "subjects/joint/{$joint}",
            'label',
            ['dn_mm' => 110, 'voltage_v' => 39.5, 'time_s' => 150, 'cooling_min' => 15, 'coupling_mm' => 160] + $label,
        )
            ->assertCreated()
            ->json('judgement.steps'),
    )->firstWhere('key', 'label');
    expect(array_column($said(['sdr_min' => 11, 'sdr_max' => 11])['reasons'], 'text'))->toContain(
        'On pipe 002 the SDR is 17; the label allows 11 to 11.',
    );
    // The section is planned by what lies in it: two kinds of polyethylene and one of PVC, 6 m of each.
    $section = $this->as('engineer')
        ->getJson("/api/v1/sections/{$line['sections'][0]['id']}")
        ->assertOk()
        ->json('plan');
    expect(array_column($section['segments'], 'wall_mm'))
        ->toEqual([10.0, 6.6, 4.2])
        ->and(array_column($section['segments'], 'length_m'))
        ->toEqual([6, 6, 6]);
});

it('orders inch pipes by their own series', function () {
    $line = $this->makeLine();
    $add = fn (array $body) => $this->as('foreman')->postJson("/api/v1/lines/{$line['id']}/pipes", $body);
    // ASME B36.10M: 4 in is 4.500 in outside; ANSI/AWWA C151: 8 in is 9.05 in outside.
    $add(['number' => 'A1', 'series' => 'ips', 'nominal' => 4, 'sdr' => 11])
        ->assertCreated()
        ->assertJsonPath('pipe.od_mm', 114.3)
        ->assertJsonPath('pipe.size', '4 in IPS');
    $add(['number' => 'A2', 'series' => 'dips', 'nominal' => 8, 'sdr' => 17])
        ->assertCreated()
        ->assertJsonPath('pipe.od_mm', 229.87);
    $add(['number' => 'a2', 'series' => 'dips', 'nominal' => 8, 'sdr' => 17])->assertConflict();
    $add(['number' => 'A3', 'series' => 'ips', 'nominal' => 5, 'sdr' => 11])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'nominal');
    $add(['number' => 'A4', 'series' => 'inch'])->assertUnprocessable();
});

it('says of a rejected pipe that it goes into no joint, keeps what was said, and judges anew', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $pipe = ($this->pipes)($line['id'])['002'];
    $say = fn (string $who, bool $rejected, string $reason) => $this->as($who)->postJson("/api/v1/pipes/{$pipe['id']}/words", [
        'rejected' => $rejected,
        'reason' => $reason,
    ]);
    $say('joiner', false, 'fine')->assertForbidden();
    $say('joiner', true, 'x')->assertUnprocessable();
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '001', 'pipe_b' => '2'])
        ->assertCreated()
        ->assertJsonPath('rows.0.verdict', 'open');
    $say('joiner', true, 'cracked at the end.')->assertCreated()->assertJsonPath('state', 'rejected');
    expect(Joint::query()->findOrFail($joint)->verdict)
        ->toBe('bad')
        ->and(Joint::query()->findOrFail($joint)->headline[0]['text'])
        ->toBe('Pipe 002 was rejected: cracked at the end.');
    $say('joiner', true, 'cracked at the end.')->assertUnprocessable();
    $say('foreman', false, 'only dirt')->assertCreated()->assertJsonPath('state', 'to-hand');
    expect(Joint::query()->findOrFail($joint)->verdict)->toBe('open')->and(($this->pipes)($line['id'])['002']['said'])->toHaveCount(2)
        ->and(fn () => PipeWord::query()->firstOrFail()->update(['reason' => 'other']))->toThrow(LogicException::class);
    $this->as('stranger')->postJson("/api/v1/pipes/{$pipe['id']}/words", ['rejected' => true, 'reason' => 'mine now'])->assertNotFound();
});

it('keeps the size of a pipe with which a joint was judged', function () {
    $line = $this->makeLine();
    $pipes = ($this->pipes)($line['id']);
    $this->record('joiner', "subjects/joint/{$line['joints'][0]['id']}", 'pipes', ['pipe_a' => '001', 'pipe_b' => '002'])->assertCreated();
    $this->as('engineer')
        ->patchJson("/api/v1/pipes/{$pipes['002']['id']}", ['nominal' => 160, 'sdr' => 26])
        ->assertConflict()
        ->assertJsonPath('errors.0.field', 'size');
    $this->as('engineer')
        ->patchJson("/api/v1/pipes/{$pipes['002']['id']}", ['serial' => 'K-77', 'source' => 'stack 4'])
        ->assertOk()
        ->assertJsonPath('serial', 'K-77');
});

it('records a density on a stretch of the line, judged, corrected, signed and sealed like a joint', function () {
    $line = $this->makeLine();
    $hash = $this->as('engineer')
        ->postJson('/api/v1/procedures', [
            'project_id' => $this->project->id,
            'file' => file_get_contents(base_path('tests/fixtures/density-practice.json')),
        ])
        ->assertCreated()
        ->json('hash');
    $add = fn (array $body) => $this->as('joiner')->postJson(
        "/api/v1/lines/{$line['id']}/stretches",
        $body + ['procedure_hash' => $hash, 'name' => 'Backfill 1'],
    );
    $add(['from_m' => 4, 'to_m' => 2])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'to_m');
    $add(['from_m' => 4, 'to_m' => 400])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'to_m');
    $add(['from_m' => 4, 'procedure_hash' => ProcedureText::query()->where('family', 'joint')->firstOrFail()->hash])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'procedure_hash');
    $id = $add(['from_m' => 2, 'to_m' => 8])
        ->assertCreated()
        ->assertJsonPath('verdict', 'open')
        ->json('id');
    $fact = (string) Str::uuid();
    $this->record('joiner', "subjects/stretch/{$id}", 'density', ['density_pct' => 91], ['id' => $fact])
        ->assertCreated()
        ->assertJsonPath('judgement.verdict', 'bad')
        ->assertJsonPath('judgement.reasons.0.text', '91.0 % of Proctor from 2.0 m to 8.0 m.')
        ->assertJsonPath('rows.0.verdict', 'bad');
    $this->record(
        'joiner',
        "subjects/stretch/{$id}",
        'density',
        ['density_pct' => 98.5],
        ['supersedes' => $fact, 'reason' => 'compacted again'],
    )->assertCreated();
    $this->record('inspector', "subjects/stretch/{$id}", 'seen-by', ['signed' => true])->assertCreated();
    $this->record('joiner', "subjects/stretch/{$id}", 'density', ['density_pct' => 80])->assertAccepted();
    $page = $this->as('joiner')
        ->getJson("/api/v1/subjects/stretch/{$id}")
        ->assertOk()
        ->json();
    expect($page)
        ->toMatchArray(['kind' => 'stretch', 'name' => 'Backfill 1', 'closed' => 'Backfill 1 is signed and sealed.'])
        ->and($page['seal'])
        ->not->toBeNull()
        ->and(
            collect(
                $this->as('joiner')
                    ->getJson("/api/v1/lines/{$line['id']}")
                    ->json('stretches'),
            )->firstWhere('id', $id),
        )
        ->toMatchArray(['verdict' => 'good', 'state' => 'accepted'])
        ->and(
            $this->as('joiner')
                ->getJson("/api/v1/lines/{$line['id']}/log")
                ->json('0'),
        )
        ->toMatchArray(['kind' => 'stretch', 'name' => 'Backfill 1'])
        ->and(
            $this->as('joiner')
                ->getJson("/api/v1/lines/{$line['id']}/register")
                ->json('chain_broken'),
        )
        ->toBe([]);
    $this->as('stranger')
        ->getJson("/api/v1/subjects/stretch/{$id}")
        ->assertNotFound();
    $this->as('joiner')
        ->getJson("/api/v1/subjects/joint/{$id}")
        ->assertNotFound();
    $this->as('joiner')
        ->getJson("/api/v1/subjects/valve/{$id}")
        ->assertNotFound();
});

it('leads what a device recorded before it knew the new address to where it belongs', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $body = [
        'id' => (string) Str::uuid(),
        'step' => 'pipes',
        'value' => ['pipe_a' => '1', 'pipe_b' => '2'],
        'recorded_at' => '2026-05-04T10:00:00+02:00',
    ];
    $to = $this->as('joiner')
        ->postJson("/api/v1/joints/{$joint}/facts", $body)
        ->assertStatus(308)
        ->headers->get('Location');
    $this->as('joiner')->postJson((string) $to, $body)->assertCreated();
    expect(Fact::query()->where('subject_id', $joint)->count())->toBe(1);
});

it('gives the piece of a cut-out a number that no pipe has yet', function () {
    $line = $this->makeLine();
    $this->as('foreman')
        ->postJson("/api/v1/lines/{$line['id']}/pipes", ['number' => '1p'])
        ->assertCreated();
    $this->record('joiner', "subjects/joint/{$line['joints'][0]['id']}", 'chamfer', ['length_mm' => 14])->assertCreated();
    $this->as('foreman')
        ->postJson("/api/v1/joints/{$line['joints'][0]['id']}/cut-out", ['reason' => 'cracked bell'])
        ->assertCreated()
        ->assertJsonCount(2);
    expect(Joint::query()->where('replaces_id', $line['joints'][0]['id'])->orderBy('chainage_m')->pluck('pipes')->all())
        ->toBe([['a' => '001', 'b' => '1P2'], ['a' => '1P2', 'b' => '002']]);
});

it('leaves a signed joint as it was signed when more becomes known of its pipe', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    Joint::query()->whereKey($joint)->update(['state' => 'accepted', 'sealed_at' => now(), 'verdict' => 'close', 'done' => 9]);
    $pipe = ($this->pipes)($line['id'])['001']['id'];
    $this->as('foreman')
        ->patchJson("/api/v1/pipes/{$pipe}", ['serial' => 'S-1'])
        ->assertOk();
    expect(Joint::query()->findOrFail($joint)->only(['state', 'verdict', 'done']))
        ->toBe(['state' => 'accepted', 'verdict' => 'close', 'done' => 9]);
});
