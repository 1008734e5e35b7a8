<?php

use App\Models\Joint;
use App\Models\Photo;
use App\Models\StoreItem;
use Diastoma\Core\Data;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** @param  array<string, mixed>  $values */
function keepIn(object $test, string $who, string $kind, string $name, array $values, array $more = []): TestResponse
{
    return $test
        ->as($who)
        ->postJson(
            '/api/v1/stores',
            $more + [
                'id' => (string) Str::uuid(),
                'project_id' => $test->lineBody()['project_id'],
                'kind' => $kind,
                'name' => $name,
                'values' => $values,
            ],
        );
}

/** @return array<string, array<string, mixed>> what a step "Card, box and tools" takes, box due on a day */
function kitOf(object $test, string $boxDueOn): array
{
    $kept = fn (string $kind, string $name, array $values): array => keepIn($test, 'foreman', $kind, $name, $values)
        ->assertCreated()
        ->json('snapshot');

    return [
        'card' => $kept('operator-card', 'Joiner', [
            'valid_until' => '2027-01-01',
            'works' => 'electrofusion',
            'materials' => 'PE100',
            'dn_min_mm' => 20,
            'dn_max_mm' => 400,
        ]),
        'box' => $kept('fusion-box', 'Box A', ['due_on' => $boxDueOn, 'efficiency' => 0.85, 'power_factor' => 0.8]),
        'tape' => $kept('circumference-tape', 'Tape', ['due_on' => '2027-01-01']),
        'tool' => $kept('peeling-tool', 'Peeler', ['due_on' => '2027-01-01']),
        'solvent' => $kept('solvent', 'Bottle', ['sort' => 'isopropanol', 'strength_pct' => 99]),
    ];
}

it('keeps what is newly known of a thing beside what was known, with a reason, once', function () {
    $box = keepIn($this, 'joiner', 'fusion-box', 'Box A', ['due_on' => '2020-01-31', 'efficiency' => 0.85, 'power_factor' => 0.8])
        ->assertCreated()
        ->assertJsonPath('verdict', 'bad');
    expect($box->json('reasons.0.text'))->toBe('Calibration was due on 2020-01-31.');
    keepIn($this, 'joiner', 'fusion-box', 'Box A', ['due_on' => '2030-01-31'])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'name');
    $change = ['supersedes' => $box->json('id')];
    keepIn($this, 'joiner', 'fusion-box', 'Box A', ['due_on' => '2030-01-31'], $change)
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'reason');
    $renewed = keepIn(
        $this,
        'joiner',
        'fusion-box',
        'Box A',
        ['due_on' => '2030-01-31', 'efficiency' => 0.85, 'power_factor' => 0.8],
        $change + ['reason' => 'calibrated'],
    )
        ->assertCreated()
        ->assertJsonPath('verdict', 'good');
    keepIn($this, 'foreman', 'fusion-box', 'Box A', ['due_on' => '2031-01-31'], $change + ['reason' => 'mine'])->assertConflict();
    $now = collect($this->as('joiner')->getJson('/api/v1/stores')->json());
    expect($now->where('name', 'Box A')->pluck('id')->all())->toBe([$renewed->json('id')]);
    $history = $this->as('joiner')->getJson("/api/v1/stores/{$renewed->json('id')}/history")->json();
    expect(array_column(array_column($history, 'values'), 'due_on'))->toBe(['2030-01-31', '2020-01-31']);
    keepIn(
        $this,
        'foreman',
        'fusion-box',
        'Box A',
        ['due_on' => '2030-01-31', 'efficiency' => 0.85, 'power_factor' => 0.8],
        ['supersedes' => $renewed->json('id'), 'reason' => 'sold', 'retired' => true],
    )->assertCreated();
    expect(collect($this->as('joiner')->getJson('/api/v1/stores')->json())->where('name', 'Box A'))->toBeEmpty();
});

it('names the field of a thing that cannot be so, and keeps nothing', function (string $kind, array $values, string $field) {
    $answer = keepIn($this, 'engineer', $kind, 'X', $values)
        ->assertUnprocessable()
        ->assertHeader('Content-Type', 'application/problem+json');
    expect($answer->json('errors.0.field'))
        ->toBe($field)
        ->and(StoreItem::query()->count())
        ->toBe(0);
})->with([
    ['fusion-box', ['due_on' => 'soon', 'efficiency' => 0.85, 'power_factor' => 0.8], 'due_on'],
    ['fusion-box', ['efficiency' => 85, 'power_factor' => 0.8], 'efficiency'],
    ['supply-lead', ['length_m' => -3, 'area_mm2' => 2.5], 'length_m'],
    [
        'code-layout',
        ['layout' => ['fields' => ['dn_mm' => ['from' => 1, 'to' => 3], 'time' => ['from' => 3, 'to' => 5]]], 'practice' => false],
        'layout',
    ],
    ['magic-wand', [], 'kind'],
]);

it('lets only an engineer enter the layout of a code, and nobody reach another project\'s stores', function () {
    $values = ['layout' => array_intersect_key(Data::json('codes/practice.json'), ['fields' => 1]), 'practice' => true];
    foreach (['joiner', 'foreman', 'inspector'] as $who) {
        keepIn($this, $who, 'code-layout', 'L', $values)->assertForbidden();
    }
    $id = keepIn($this, 'engineer', 'code-layout', 'L', $values)->assertCreated()->json('id');
    keepIn($this, 'stranger', 'fusion-box', 'Box', [])->assertNotFound();
    $this->as('stranger')->getJson("/api/v1/stores/{$id}/history")->assertNotFound();
    expect($this->as('stranger')->getJson('/api/v1/stores')->json())->toBe([]);
});

it('takes into a fact what the stores hold, whatever the device says of it, and keeps it when the stores change', function () {
    $joint = $this->makeLine('ef-coupler-one-pass')['joints'][0]['id'];
    $kit = kitOf($this, '2026-05-01');
    $forged = ['box' => ['due_on' => '2099-01-01'] + $kit['box']] + $kit;
    $first = (string) Str::uuid();
    $answer = $this->record('joiner', "subjects/joint/{$joint}", 'kit', $forged, ['id' => $first])->assertCreated();
    $step = fn (array $judgement): array => collect($judgement['steps'])->firstWhere('key', 'kit');
    expect($step($answer->json('judgement'))['verdict'])
        ->toBe('bad')
        ->and($step($answer->json('judgement'))['reasons'][0]['text'])
        ->toBe('Box A: calibration was due on 2026-05-01.');
    $box = StoreItem::query()->where('name', 'Box A')->firstOrFail();
    $renewed = keepIn(
        $this,
        'foreman',
        'fusion-box',
        'Box A',
        ['due_on' => '2027-05-01', 'efficiency' => 0.85, 'power_factor' => 0.8],
        ['supersedes' => $box->id, 'reason' => 'calibrated'],
    )->json('snapshot');
    expect(
        $step(
            $this->as('joiner')
                ->getJson("/api/v1/subjects/joint/{$joint}")
                ->json('judgement'),
        )['verdict'],
    )->toBe('bad');
    $again = $this->record('joiner', "subjects/joint/{$joint}", 'kit', ['box' => $renewed] + $kit, [
        'supersedes' => $first,
        'reason' => 'box is back',
    ]);
    expect($step($again->assertCreated()->json('judgement'))['verdict'])->toBe('good');
    $this->record('joiner', "subjects/joint/{$joint}", 'kit', ['box' => ['id' => (string) Str::uuid(), 'name' => 'no such box']] + $kit, [
        'supersedes' => $again->json('fact.id') ?? $first,
        'reason' => 'x',
    ])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'box');
});

it('keeps a photo once, drawn anew, for those who see the joint', function () {
    Storage::fake();
    $joint = $this->makeLine('ef-coupler-one-pass')['joints'][0]['id'];
    $id = (string) Str::uuid();
    $send = fn (string $bytes, array $more = []) => $this->as('joiner')->post(
        "/api/v1/subjects/joint/{$joint}/photos",
        $more + [
            'id' => $id,
            'step' => 'look',
            'taken_at' => '2026-05-04T10:00:00+02:00',
            'file' => UploadedFile::fake()->createWithContent('face.png', $bytes),
        ],
        ['Accept' => 'application/json'],
    );
    $send('GIF89a no picture at all')->assertUnprocessable()->assertJsonPath('errors.0.field', 'file');
    $send(substr(picture(), 0, 60))->assertUnprocessable()->assertJsonPath('errors.0.field', 'file');
    $send(picture(), ['step' => 'dance'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'step');
    $send(picture(), ['taken_at' => 'noon'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'taken_at');
    expect(Photo::query()->count())->toBe(0);
    $send(picture(4000, 1000))->assertCreated();
    $send(picture(4000, 1000))->assertSuccessful();
    expect(Photo::query()->count())
        ->toBe(1)
        ->and(
            Photo::query()
                ->first()
                ->only(['width', 'height']),
        )
        ->toBe(['width' => 1600, 'height' => 400]);
    $kept = $this->as('inspector')
        ->get("/api/v1/photos/{$id}")
        ->assertOk()
        ->assertHeader('Content-Type', 'image/jpeg');
    expect(getimagesizefromstring((string) $kept->getContent())[2])->toBe(IMAGETYPE_JPEG);
    $this->as('stranger')->getJson("/api/v1/photos/{$id}")->assertNotFound();
    // A fact names its photos; one that was never kept, or belongs elsewhere, is not taken.
    $looked = fn (array $photos) => $this->record('joiner', "subjects/joint/{$joint}", 'look', [
        'indicators_up' => true,
        'leads_off' => true,
        'marks_visible' => true,
        'marks_moved' => false,
        'peel_visible' => true,
        'melt_escape' => false,
        'wire_exposed' => false,
        'misaligned' => false,
        'moved' => false,
        'wet' => false,
        'photos' => $photos,
    ]);
    $looked(['../../etc/passwd'])->assertUnprocessable();
    $looked([$id])->assertCreated();
});

it('adds a saddle where it is said and restraints three to an end, and names what does not fit', function () {
    $line = $this->makeLine('ef-coupler-large');
    $add = fn (array $body, string $who = 'engineer') => $this->as($who)->postJson("/api/v1/lines/{$line['id']}/joints", $body);
    $hash = fn (string $key) => App\Models\ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $add(['procedure_hash' => $hash('ef-saddle-tapping'), 'chainage_m' => 7.5], 'joiner')->assertForbidden();
    $saddle = $add(['procedure_hash' => $hash('ef-saddle-tapping'), 'chainage_m' => 7.5])
        ->assertCreated()
        ->json();
    expect(array_column($saddle, 'number'))
        ->toBe(['S1'])
        ->and($saddle[0]['pipes']['a'])
        ->toBe('002');
    $add(['procedure_hash' => $hash('ef-saddle-tapping'), 'chainage_m' => 18.2])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.message', 'chainage_m is 18.2 m; the line goes from 0 to 18 m.');
    $add(['procedure_hash' => $hash('ef-saddle-tapping'), 'chainage_m' => 8, 'number' => 'S1'])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'number');
    $add(['procedure_hash' => $hash('pe-viscoelastic'), 'chainage_m' => 8])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'procedure_hash');
    $host = $line['joints'][0]['id'];
    $add(['procedure_hash' => $hash('ef-restraint')])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'host_id');
    $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => $host, 'count' => 40])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'count');
    expect(
        array_column(
            $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => $host])
                ->assertCreated()
                ->json(),
            'number',
        ),
    )->toBe(['1a1', '1a2', '1a3', '1b1', '1b2', '1b3']);
    expect(Joint::query()->where('line_id', $line['id'])->where('place', 'in-line')->count())->toBe(count($line['joints']));
    // Who pulls by them waits for all six.
    $host = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$host}")->json();
    expect($host['attached'] ?? [])->toHaveCount(6);
});
