<?php

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Photo;
use App\Models\ProcedureText;
use App\Models\Project;
use App\Models\User;
use App\Support\Address;
use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Procedure;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Tests\TestCase;

/** @return array{array<string, mixed>, string} a procedure of another project, and its hash */
function ownRules(TestCase $test, string $file, string $id): array
{
    $other = Project::query()->create(['name' => 'Other valley', 'place' => '', 'time_zone' => 'UTC']);
    $engineer = User::query()->create([
        'name' => 'Other',
        'email' => "{$id}@test.example",
        'password' => 'secret-word',
        'units' => 'metric',
    ]);
    $engineer->projects()->attach($other, ['role' => 'engineer']);
    $raw = ['id' => $id] + Data::json($file);

    return [
        $raw,
        $test
            ->actingAs($engineer)
            ->postJson('/api/v1/procedures', ['project_id' => $other->id, 'procedure' => $raw])
            ->assertCreated()
            ->json('hash'),
    ];
}

it('does not sign over an optional step that was recorded and is bad', function () {
    // As small as it gets: three steps, one of them optional, and none that the signature names.
    $raw = Procedure::shipped()['ef-coupler-one-pass']->text;
    $keep = fn (string $id) => collect($raw['steps'])->firstWhere('id', $id);
    $raw =
        [
            'id' => 'small',
            'steps' => [
                $keep('pipes'),
                ['after' => []] + $keep('gouge'),
                ['after' => ['pipes'], 'needs_good' => []] + $keep('accept'),
            ],
        ] + $raw;
    unset($raw['tells']);
    $raw['parameters'] = array_intersect_key($raw['parameters'], ['gouge_limit_pct' => 1]);
    $hash = $this->as('engineer')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $raw])
        ->assertCreated()
        ->json('hash');
    $joint = $this->as('engineer')
        ->postJson('/api/v1/lines', ['procedure_hash' => $hash, 'name' => 'Small'] + $this->lineBody('ef-coupler-one-pass'))
        ->assertCreated()
        ->json('joints.0.id');
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal'])->assertCreated();
    $id = (string) Str::uuid();
    $steps = $this->record('joiner', "subjects/joint/{$joint}", 'gouge@a', ['depth_mm' => 9, 'under' => true], ['id' => $id])
        ->assertCreated()
        ->json('judgement.steps');
    expect(collect($steps)->firstWhere('key', 'gouge@a'))
        ->toMatchArray(['verdict' => 'bad', 'optional' => true])
        ->and(collect($steps)->firstWhere('key', 'gouge@b')['status'])
        ->toBe('todo');
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.message', 'It cannot be signed yet: "Scratches, pipe 001" is bad.');
    expect(Joint::query()->findOrFail($joint)->sealed_at)->toBeNull();
    // Put right, with the other side never asked for, it is signed.
    $this->record(
        'joiner',
        "subjects/joint/{$joint}",
        'gouge@a',
        ['depth_mm' => 0.1, 'under' => false],
        ['supersedes' => $id, 'reason' => 'read again'],
    )->assertCreated();
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    expect(Joint::query()->findOrFail($joint)->sealed_at)->not->toBeNull();
});

it('stores nothing under another name than that of who recorded it', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $body = [
        'id' => (string) Str::uuid(),
        'step' => 'pipes',
        'value' => ['pipe_a' => '1', 'pipe_b' => '2'],
        'recorded_at' => '2026-05-04T10:00:00+02:00',
    ];
    $send = fn (string $who, array $headers) => $this->as($who)->postJson("/api/v1/subjects/joint/{$joint}/facts", $body, $headers);
    $joiner = ['X-Recorded-By' => (string) $this->people['joiner']->id];
    $send('foreman', $joiner)->assertConflict()->assertJsonPath('errors.0.field', 'recorded_by');
    $send('foreman', ['X-Recorded-By' => 'nonsense'])->assertConflict();
    expect(Fact::query()->count())->toBe(0);
    $send('joiner', $joiner)->assertCreated();
    expect(Fact::query()->firstOrFail()->user_id)->toBe($this->people['joiner']->id);
    $photo = [
        'id' => (string) Str::uuid(),
        'step' => 'pipes',
        'taken_at' => '2026-05-04T10:00:00+02:00',
        'file' => UploadedFile::fake()->image('p.png'),
    ];
    $this->as('foreman')
        ->post("/api/v1/subjects/joint/{$joint}/photos", $photo, $joiner + ['Accept' => 'application/json'])
        ->assertConflict();
    expect(Photo::query()->count())->toBe(0);
});

it('knows one address however it is spelt, and counts wrong passwords by it', function () {
    $spellings = [
        'joiner@test.example',
        'Joiner@Test.Example',
        ' joiner@test.example ',
        "jo\u{200B}iner@test.example",
        "joiner\u{00AD}@test.example",
        'jöiner@test.example',
        "jo\u{0308}iner@test.example",
        'ｊｏｉｎｅｒ@test.example',
        "\u{202E}joiner@test.example",
        "joiner@test.example\u{FEFF}",
    ];
    expect(array_unique(array_map(Address::normal(...), $spellings)))->toBe(['joiner@test.example']);
    foreach ($spellings as $i => $spelling) {
        $status = $this->postJson('/api/v1/session', ['email' => $spelling, 'password' => 'wrong'])->getStatusCode();
        expect($status)->toBe($i < 8 ? 422 : 429, "{$i}: {$spelling}");
    }
    // Somebody else is not held up, and the right password by a strange spelling is the same person.
    $session = fn (array $body) => $this->postJson('/api/v1/session', $body, ['Origin' => 'http://localhost']);
    $session(['email' => 'FOREMAN@test.example', 'password' => 'secret-word'])->assertOk()->assertJsonPath('email', 'foreman@test.example');
    // A programme that is no page of this application gets a sentence, not a crash.
    $this->postJson('/api/v1/session', ['email' => 'foreman@test.example', 'password' => 'secret-word'])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'origin');
    expect(
        fn () => User::query()->create(
            ['name' => 'Twin', 'email' => "Jo\u{200B}iner@test.example", 'password' => 'x', 'units' => 'metric'],
        ),
    )->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
});

it('lets a joiner add restraints to an open joint of the line and nothing else, whatever host is named', function () {
    $line = $this->makeLine('ef-coupler-large');
    $hash = fn (string $key) => ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $add = fn (array $body) => $this->as('joiner')->postJson("/api/v1/lines/{$line['id']}/joints", $body);
    $host = $line['joints'][0]['id'];
    foreach ([(string) Str::uuid(), $host] as $named) {
        foreach (['ef-saddle-tapping', 'ef-coupler-large', 'pvc-spigot-socket'] as $key) {
            $add(['procedure_hash' => $hash($key), 'chainage_m' => 7, 'host_id' => $named])->assertForbidden();
        }
    }
    $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => (string) Str::uuid()])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'host_id');
    $elsewhere = $this->as('engineer')
        ->postJson('/api/v1/lines', $this->lineBody('ef-coupler-large', ['name' => 'Elsewhere']))
        ->json('joints.0.id');
    $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => $elsewhere])->assertUnprocessable();
    $before = Joint::query()->count();
    Joint::query()->where('id', $host)->update(['sealed_at' => now(), 'state' => 'accepted']);
    $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => $host])->assertConflict()->assertJsonPath('errors.0.field', 'host_id');
    Joint::query()->where('id', $line['joints'][1]['id'])->update(['cut_out_at' => now(), 'state' => 'cut-out']);
    $add(['procedure_hash' => $hash('ef-restraint'), 'host_id' => $line['joints'][1]['id']])->assertConflict();
    expect(Joint::query()->count())->toBe($before);
});

it('takes no text of another project by its hash, for a line, a joint or a section', function () {
    [, $joints] = ownRules($this, 'procedures/pvc-spigot-socket.json', 'their-joints');
    [$method, $tests] = ownRules($this, 'methods/constant-pressure-makeup.json', 'their-tests');
    $this->as('engineer')
        ->postJson('/api/v1/lines', ['procedure_hash' => $joints] + $this->lineBody())
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'procedure_hash');
    $body = $this->lineBody();
    $body['sections'][0]['method_hash'] = $tests;
    $this->as('engineer')->postJson('/api/v1/lines', $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'method_hash');
    $line = $this->makeLine();
    $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/sections", ['name' => 'Two', 'from_m' => 0, 'to_m' => 6, 'method_hash' => $tests])
        ->assertUnprocessable();
    $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/joints", ['procedure_hash' => $joints, 'chainage_m' => 3])
        ->assertUnprocessable();
    $this->as('engineer')
        ->getJson("/api/v1/procedures/{$tests}")
        ->assertNotFound();
    expect(Joint::query()->where('procedure_hash', $joints)->count())->toBe(0);
    // Who loads the very same text has it too.
    $this->as('engineer')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $method])
        ->assertCreated()
        ->assertJsonPath('hash', $tests);
    $this->as('engineer')
        ->getJson("/api/v1/procedures/{$tests}")
        ->assertOk();
    $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/sections", ['name' => 'Two', 'from_m' => 0, 'to_m' => 6, 'method_hash' => $tests])
        ->assertCreated();
});

it('answers for a photo only when it is written whole', function () {
    $joint = $this->makeLine('ef-coupler-one-pass')['joints'][0]['id'];
    $send = fn (string $id) => $this->as('joiner')->post(
        "/api/v1/subjects/joint/{$joint}/photos",
        [
            'id' => $id,
            'step' => 'look',
            'taken_at' => '2026-05-04T10:00:00+02:00',
            'file' => UploadedFile::fake()->image('p.png', 300, 200),
        ],
        ['Accept' => 'application/json'],
    );
    // A real disk that is full: whatever is written there finds no room.
    $disk = sys_get_temp_dir().'/full-'.Str::random(8);
    mkdir("{$disk}/photos", recursive: true);
    config(['filesystems.disks.local.root' => $disk]);
    Storage::forgetDisk('local');
    Str::createRandomStringsUsing(fn () => 'full');
    $id = (string) Str::uuid();
    symlink('/dev/full', "{$disk}/photos/{$id}.jpg.full.part");
    $send($id)->assertStatus(507)->assertHeader('Content-Type', 'application/problem+json');
    expect(Photo::query()->count())->toBe(0)->and(glob("{$disk}/photos/*"))->toBe([]);
    $send($id)->assertCreated();
    expect(hash_file('sha256', "{$disk}/photos/{$id}.jpg"))->toBe(Photo::query()->firstOrFail()->sha256);
    Str::createRandomStringsNormally();
    // A disk that says yes and keeps half.
    Storage::shouldReceive('put')->andReturnTrue();
    Storage::shouldReceive('get')->andReturn('half');
    Storage::shouldReceive('delete')->once();
    $send((string) Str::uuid())->assertStatus(507);
    expect(Photo::query()->count())->toBe(1);
});
