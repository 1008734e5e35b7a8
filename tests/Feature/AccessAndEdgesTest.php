<?php

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Section;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** What each role may do: method, path, body, status by role. A stranger finds nothing anywhere. */
it('lets each role do exactly what it may', function (string $what, array $may) {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    $method = $line['sections'][0];
    $hash = $this->lineBody()['sections'][0]['method_hash'];
    $ask = fn (string $who) => match ($what) {
        'make a line' => $this->as($who)->postJson('/api/v1/lines', $this->lineBody(more: ['name' => "By {$who}"])),
        'add a section' => $this->as($who)->postJson("/api/v1/lines/{$line['id']}/sections", [
            'name' => 'Two',
            'from_m' => 0,
            'to_m' => 6,
            'method_hash' => $hash,
        ]),
        'load a procedure' => $this->as($who)->postJson('/api/v1/procedures', [
            'project_id' => $this->project->id,
            'procedure' => ['id' => "own-{$who}"] + Diastoma\Core\Data::json('procedures/pvc-spigot-socket.json'),
        ]),
        'record' => $this->record(
            $who,
            "subjects/joint/{$line['joints'][1]['id']}",
            'pipes',
            ['pipe_a' => $who, 'pipe_b' => '3'],
            ['supersedes' => Fact::query()->where('subject_id', $line['joints'][1]['id'])->latest('seq')->value('id'), 'reason' => 'tried'],
        ),
        'begin a test' => $this->as($who)->postJson("/api/v1/sections/{$method['id']}/tests"),
        'cut out' => $this->as($who)->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'cracked']),
        'look' => $this->as($who)->getJson("/api/v1/lines/{$line['id']}"),
    };
    foreach (['joiner', 'foreman', 'inspector', 'engineer'] as $who) {
        $status = $ask($who)->getStatusCode();
        expect(in_array($status, [200, 201, 409], true))->toBe(in_array($who, $may, true), "{$who}, {$what}: {$status}");
        expect(in_array($who, $may, true) || $status === 403)->toBeTrue("{$who}, {$what}: {$status}");
    }
    expect($ask('stranger')->getStatusCode())->toBeIn([404]);
})->with([
    ['make a line', ['engineer']],
    ['add a section', ['engineer']],
    ['load a procedure', ['engineer']],
    ['record', ['joiner', 'foreman', 'inspector', 'engineer']],
    ['begin a test', ['foreman', 'inspector', 'engineer']],
    ['cut out', ['foreman', 'inspector', 'engineer']],
    ['look', ['joiner', 'foreman', 'inspector', 'engineer']],
]);

it('keeps a procedure of one project from another', function () {
    $own = ['id' => 'own-rules'] + Diastoma\Core\Data::json('procedures/pvc-spigot-socket.json');
    $hash = $this->as('engineer')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $own])
        ->assertCreated()
        ->json('hash');
    $this->as('joiner')
        ->getJson("/api/v1/procedures/{$hash}")
        ->assertOk()
        ->assertJsonPath('id', 'own-rules');
    $this->as('stranger')
        ->getJson("/api/v1/procedures/{$hash}")
        ->assertNotFound();
    expect(collect($this->as('stranger')->getJson('/api/v1/procedures')->json())->pluck('key'))->not->toContain('own-rules');
});

it('answers hostile bodies with a problem that names a field, and stores nothing', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $odd = [null, true, 0, -1, 1e300, '', 'text', "\u{202E}x", str_repeat('9', 4000), [], [[]], ['a' => ['b' => ['c' => 1]]]];
    $before = [Fact::query()->count(), Joint::query()->count(), Line::query()->count(), Section::query()->count()];
    foreach ($odd as $value) {
        foreach (['id', 'step', 'value', 'recorded_at'] as $key) {
            $body = [$key => $value] + [
                'id' => (string) Str::uuid(),
                'step' => 'pipes',
                'value' => ['pipe_a' => '1', 'pipe_b' => '2'],
                'recorded_at' => '2026-05-04T10:00:00+02:00',
            ];
            $answer = $this->as('joiner')->postJson("/api/v1/subjects/joint/{$joint}/facts", $body);
            expect($answer->getStatusCode())
                ->toBe(422, "{$key} = ".json_encode($value))
                ->and($answer->headers->get('Content-Type'))
                ->toBe('application/problem+json')
                ->and($answer->json('errors.0.message'))
                ->toBeString();
        }
        foreach (['name', 'dn_mm', 'sdr', 'mdp_bar', 'pipe_length_m', 'procedure_hash', 'centre_line', 'service'] as $key) {
            if ($key === 'name' && is_string($value) && trim($value) !== '' && mb_strlen($value) <= 120) {
                continue; // an odd name is still a name
            }
            $status = $this->as('engineer')->postJson('/api/v1/lines', [$key => $value] + $this->lineBody())->getStatusCode();
            expect($status)->toBe(422, "{$key} = ".json_encode($value));
        }
        foreach (['from_m', 'to_m', 'gauge_m', 'method_hash', 'stp_method', 'pipe_max_bar'] as $key) {
            $status = $this->as('engineer')
                ->postJson(
                    "/api/v1/lines/{$line['id']}/sections",
                    [$key => $value] + [
                        'name' => 'x',
                        'from_m' => 20,
                        'to_m' => 30,
                        'method_hash' => $this->lineBody()['sections'][0]['method_hash'],
                    ],
                )
                ->getStatusCode();
            expect($status)->toBe(422, "{$key} = ".json_encode($value));
        }
        $this->as('foreman')->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => $value])->assertUnprocessable();
    }
    expect([Fact::query()->count(), Joint::query()->count(), Line::query()->count(), Section::query()->count()])->toBe($before);
});

it('finds nothing under odd addresses and says so', function () {
    $odd = ['lines/1', 'subjects/joint/none', 'tests/'.Str::uuid(), 'sections/0', 'procedures/'.str_repeat('a', 64), 'nothing'];
    foreach ($odd as $path) {
        $this->as('engineer')->getJson("/api/v1/{$path}")->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
    }
    $this->as('engineer')->putJson('/api/v1/lines')->assertMethodNotAllowed();
    $this->as('engineer')->postJson('/api/v1/calculations/unheard-of', [])->assertNotFound();
});

it('reads a centre line written in the usual ways and names the line that is wrong', function (string $text, ?string $fault) {
    $answer = $this->as('engineer')->post(
        '/api/v1/centre-line',
        ['file' => UploadedFile::fake()->createWithContent('line.csv', $text)],
        ['Accept' => 'application/json'],
    );
    if ($fault === null) {
        expect($answer->assertOk()->json('points'))->toEqual([[0, 100, 200, 10.5], [50, 150, 200, 11]]);
    } else {
        expect($answer->assertUnprocessable()->json('errors.0.message'))->toContain($fault);
    }
})->with([
    ["chainage;easting;northing;level\n0;100;200;10.5\n50;150;200;11", null],
    ["Chainage,Easting,Northing,Level\n0,100,200,10.5\n50,150,200,11\n", null],
    ["northing\teasting\tstation\televation\n200\t100\t0\t10,5\n200\t150\t50\t11", null],
    ['{"type":"LineString","coordinates":[[100,200,10.5],[150,200,11]]}', null],
    ["chainage;easting;northing\n0;1;2", 'no column "level"'],
    ["chainage;easting;northing;level\n0;100;200;high", 'line 2: level "high" is no number'],
    ["chainage;easting;northing;level\n0;100;200;10\n0;101;200;10", 'the chainage must grow'],
    ["chainage,easting,northing,level\n0,100,5,200,10", 'Decimal commas need semicolons'],
    ['{"type":"Point","coordinates":[1,2,3]}', 'no LineString'],
    ['{"type":"LineString","coordinates":[[16.1,48.1,10],[16.100001,48.1,10]]}', 'look like degrees'],
    ["chainage;easting;northing;level\n0;100;200;10", 'at least two points'],
    ["chainage;easting;northing;level\n0;0;0;1\n900000;1;1;1", 'wrong unit?'],
]);

it('describes every route in the document that it serves', function () {
    $document = $this->getJson('/api/v1/openapi.json')->assertOk()->json();
    $described = [];
    foreach ($document['paths'] as $path => $methods) {
        foreach (array_keys($methods) as $method) {
            $described[] = strtoupper($method).' '.preg_replace('/\{[^}]+}/', '{}', $path);
        }
    }
    $served = collect(app('router')->getRoutes()->getRoutes())
        ->filter(fn ($r) => str_starts_with($r->uri(), 'api/v1/') && ! str_contains($r->uri(), 'openapi'))
        ->flatMap(
            fn ($r) => collect($r->methods())
                ->reject(fn ($m) => $m === 'HEAD')
                ->map(fn ($m) => $m.' '.preg_replace('/\{[^}]+}/', '{}', substr($r->uri(), 6))),
        )
        ->all();
    expect(array_values(array_diff($served, $described)))->toBe([]);
    preg_match_all('~"#/components/schemas/([A-Za-z]+)"~', (string) json_encode($document, JSON_UNESCAPED_SLASHES), $named);
    expect(array_values(array_diff(array_unique($named[1]), array_keys($document['components']['schemas']))))->toBe([]);
});

it('shows each person their own units', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 40])->assertCreated();
    $said = fn (string $who) => collect(
        $this->as($who)
            ->getJson("/api/v1/subjects/joint/{$joint}")
            ->json('judgement.steps'),
    )->firstWhere('key', 'chamfer')['reasons'][0]['text'];
    expect($said('joiner'))->toBe('40 mm is too long: too little edge is left.');
    $this->as('joiner')
        ->patchJson('/api/v1/me', ['units' => 'us'])
        ->assertOk();
    expect($said('joiner'))
        ->toBe('1.575 in is too long: too little edge is left.')
        ->and($said('foreman'))
        ->toBe('40 mm is too long: too little edge is left.');
    $this->as('joiner')
        ->patchJson('/api/v1/me', ['units' => 'furlongs'])
        ->assertUnprocessable();
});

it('keeps the joints of a line to themselves when two phones send at once', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    // The second phone did not know: it is told, nothing is overwritten, and it may supersede with a reason.
    $answer = $this->record('foreman', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '8', 'pipe_b' => '9'])->assertAccepted();
    expect($answer->json('contested.why'))->toContain('was recorded already')->and(Fact::query()->count())->toBe(1);
    $id = (string) Str::uuid();
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 14], ['id' => $id])->assertCreated();
    $this->record('foreman', "subjects/joint/{$line['joints'][1]['id']}", 'chamfer', ['length_mm' => 14], ['id' => $id])->assertConflict();
});

it('says to whom something is left, and to a stranger nothing', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $order = fn (string $who) => $this->as($who)->postJson("/api/v1/joints/{$joint}/cut-out", ['reason' => 'cracked']);
    $order('joiner')
        ->assertForbidden()
        ->assertJsonPath('title', 'A foreman, an inspector or an engineer orders a cut-out.');
    $order('stranger')
        ->assertNotFound()
        ->assertJsonPath('title', 'There is nothing here by that name.');
    $this->as('joiner')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'file' => '{}'])
        ->assertForbidden()
        ->assertJsonPath('title', 'Only an engineer loads a procedure.');
    $this->as('joiner')
        ->postJson('/api/v1/lines', $this->lineBody())
        ->assertForbidden()
        ->assertJsonPath('title', 'Only an engineer makes a line.');
});

it('takes what must keep its types as JSON alone', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $said = ['step' => 'chamfer', 'value' => ['length_mm' => '14'], 'recorded_at' => '2026-05-04T10:00:00Z'];
    $fact = ['id' => (string) Str::uuid()] + $said;
    $box = ['kind' => 'fusion-box', 'name' => 'x', 'values' => ['a' => '1']];
    $item = ['id' => (string) Str::uuid(), 'project_id' => $this->project->id] + $box;
    $bodies = [
        "subjects/joint/{$joint}/facts" => $fact,
        'stores' => $item,
        'procedures' => ['project_id' => $this->project->id, 'procedure' => ['id' => 'x']],
    ];
    foreach ($bodies as $path => $body) {
        $this->as('engineer')
            ->post("/api/v1/{$path}", $body, ['Accept' => 'application/json'])
            ->assertUnprocessable()
            ->assertJsonPath('errors.0.field', 'json');
    }
});
