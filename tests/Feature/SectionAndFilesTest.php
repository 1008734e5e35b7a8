<?php

use App\Models\EvidenceFile;
use App\Models\PressureTest;
use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Simulation\FusionBox;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

it('plans a section, runs a test, signs it and prints the pack', function () {
    $line = $this->makeLine();
    $section = $line['sections'][0]['id'];
    $plan = $this->as('foreman')
        ->getJson("/api/v1/sections/{$section}")
        ->assertOk();
    expect($plan->json('plan.missing'))
        ->toBe(['Joint 1 is not made.', 'Joint 2 is not made.'])
        ->and($plan->json('plan.stp_kpa'))
        ->toEqual(900)
        ->and($plan->json('plan.gauge.target_kpa'))
        ->toEqual(900); // gauge at the lowest point
    $this->as('joiner')
        ->postJson("/api/v1/sections/{$section}/tests")
        ->assertForbidden();
    $test = $this->as('foreman')
        ->postJson("/api/v1/sections/{$section}/tests")
        ->assertCreated()
        ->json('id');
    $run = $this->as('foreman')
        ->getJson("/api/v1/tests/{$test}/stand-in?fault=none")
        ->assertOk();
    $this->as('foreman')
        ->getJson("/api/v1/tests/{$test}/stand-in?fault=moon")
        ->assertUnprocessable();
    $facts = [
        'instruments' => $this->instruments(),
        'ready' => ['restrained' => true, 'valves' => true, 'zone' => true],
        'fill' => ['water_c' => 12, 'vented' => true],
        'log' => ['trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => $run->json('rows')],
        'phases' => $run->json('marks'),
        'look' => ['leak' => false],
    ];
    foreach ($facts as $step => $value) {
        $last = $this->record('foreman', "subjects/test/{$test}", $step, $value)->assertCreated();
    }
    $phases = collect($last->json('judgement.steps'))->firstWhere('key', 'phases');
    expect($phases['verdict'])->toBe('good', json_encode($phases['reasons']));
    $signed = ['signed' => true, 'confirmed' => ['allowance_method', 'air_limit_percent']];
    // Two joints of the section are not made: the arithmetic may be good, the test is not signed.
    $this->record('engineer', "subjects/test/{$test}", 'sign-engineer', $signed)
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.message', 'It cannot be signed yet: Joint 1 is not made.');
    foreach ($line['joints'] as $joint) {
        recordPvcJoint($this, $joint['id']);
        $this->record('inspector', "subjects/joint/{$joint['id']}", 'accept', ['signed' => true])->assertCreated();
    }
    $this->record('engineer', "subjects/test/{$test}", 'sign-engineer', $signed)->assertCreated();
    $this->record('inspector', "subjects/test/{$test}", 'sign-inspector', ['signed' => true])
        ->assertCreated()
        ->assertJsonPath('state', 'accepted')
        ->assertJsonPath('judgement.verdict', 'good');
    $pdf = $this->as('engineer')
        ->get("/api/v1/tests/{$test}/pack.pdf")
        ->assertOk()
        ->assertHeader('Content-Type', 'application/pdf')
        ->getContent();
    expect(substr($pdf, 0, 5))
        ->toBe('%PDF-')
        ->and(strlen($pdf))
        ->toBeGreaterThan(20000)
        ->and(PressureTest::query()->first()->sealed_at)
        ->not->toBeNull();
});

it('reads fusion traces from CSV and JSON and says what is wrong with a file', function () {
    $trace = FusionBox::trace(39.5, 1.6, 150);
    $csv = "time [s];voltage [V];current [A]\n".implode("\n", array_map(fn ($r) => str_replace('.', ',', implode(';', $r)), $trace));
    $send = fn (string $text, string $name = 'trace.csv') => $this->as('joiner')->post(
        '/api/v1/files/fusion-trace',
        ['file' => UploadedFile::fake()->createWithContent($name, $text)],
        ['Accept' => 'application/json'],
    );
    expect($send($csv)->assertOk()->json('samples.3'))
        ->toEqual($trace[3])
        ->and($send(json_encode(['samples' => $trace]), 't.json')->json('samples'))
        ->toHaveCount(count($trace));
    foreach (
        [
            ["%PDF-1.4\nnot a trace", 'no text'],
            ["\x89PNG\r\n\x1a\n\0\0", 'no text'],
            ["when;what\n1;2", 'no column "time [s]"'],
            ["time [s],voltage [V],current [A]\n1,0,39,5,24,7\n", 'decimal commas'],
            ["time [s];voltage [V];current [A]\n1;39;24\n1;39;24", 'must rise'],
            ["time [s];voltage [V];current [A]\n1;thirty;24\n2;1;1", 'is no number'],
            ['{"rows":[]}', 'no list "samples"'],
        ] as [$bad, $says]
    ) {
        expect($send($bad)->assertUnprocessable()->json('errors.0.message'))->toContain($says);
    }
});

it('thins a log of a day and a half by the second, and keeps what was lowest and highest', function () {
    $rows = ['time;pressure [kPa]'];
    for ($t = 0; $t < 130_000; $t++) {
        $rows[] = gmdate('Y-m-d H:i:s', 1_780_000_000 + $t).';'.match ($t) {
            70_001 => 873.5, 99_999 => 1313.5, default => 1200 + $t % 7
        };
    }
    $file = UploadedFile::fake()->createWithContent('long.csv', implode("\n", $rows));
    $read = $this->as('foreman')->post('/api/v1/files/pressure-log', ['file' => $file], ['Accept' => 'application/json'])->assertOk();
    $pressures = array_column($read->json('samples'), 1);
    expect($read->json('summary.kept'))
        ->toBe(129_998)
        ->and($read->json('summary.spikes'))
        ->toBe(2)
        ->and($read->json('summary.thinned_to'))
        ->toBe(count($pressures))
        ->and(count($pressures))
        ->toBeLessThanOrEqual(50_000)
        ->and([min($pressures), max($pressures)])
        ->toEqual([1200, 1206]);
});

it('cleans a logger\'s file and names what it cannot read', function () {
    $send = fn (string $text) => $this->as('foreman')->post(
        '/api/v1/files/pressure-log',
        ['file' => UploadedFile::fake()->createWithContent('log.csv', $text)],
        ['Accept' => 'application/json'],
    );
    $rows = implode(
        "\n",
        array_map(
            fn ($i) => '2026-05-04 08:'.
                sprintf('%02d:%02d', intdiv($i, 6), 10 * ($i % 6)).
                ';'.
                ($i === 20 ? '25,0' : '10,'.(50 - ($i % 2))),
            range(0, 40),
        ),
    );
    $good = $send("time;pressure [bar]\n{$rows}\n")->assertOk();
    expect($good->json('summary.spikes'))
        ->toBe(1)
        ->and($good->json('samples.0'))
        ->toEqual([0, 1050])
        ->and($good->json('samples'))
        ->toHaveCount(40);
    expect(
        $send("time;pressure\n{$rows}")
            ->assertUnprocessable()
            ->json('errors.0.field'),
    )->toBe('unit');
    expect($send("time,pressure (psi),t\n2025-03-04T08:00:00Z,15,01,14")->assertUnprocessable()->json('errors.0.field'))->toBe('decimal');
    expect($send("time,pressure (psi)\n03/04/2025 08:00,150.0")->assertUnprocessable()->json('errors.0.field'))->toBe('date_order');
    expect($send('nothing')->assertUnprocessable()->json('errors.0.field'))->toBe('csv');
});

it('reads a centre line and exports register and GeoJSON that read back', function () {
    $line = $this->makeLine();
    $csv = $this->as('engineer')->get("/api/v1/lines/{$line['id']}/register.csv")->assertOk()->streamedContent();
    $rows = array_map(fn ($l) => str_getcsv($l, ';', '"', ''), explode("\n", trim($csv)));
    expect($rows)
        ->toHaveCount(3)
        ->and(array_combine($rows[0], $rows[1]))
        ->toMatchArray(['joint' => '1', 'chainage_m' => '6', 'easting' => '6', 'level_m' => '10.333', 'state' => 'planned']);
    $geo = $this->as('engineer')
        ->get("/api/v1/lines/{$line['id']}/line.geojson")
        ->assertOk()
        ->streamedContent();
    $read = $this->as('engineer')
        ->post(
            '/api/v1/centre-line',
            ['file' => UploadedFile::fake()->createWithContent('line.geojson', $geo)],
            ['Accept' => 'application/json'],
        )
        ->assertOk();
    expect($read->json('points'))->toEqual($line['centre_line']);
    $bad = $this->as('engineer')
        ->post(
            '/api/v1/centre-line',
            ['file' => UploadedFile::fake()->createWithContent('x.csv', "chainage;easting;northing\n0;1;2")],
            ['Accept' => 'application/json'],
        )
        ->assertUnprocessable();
    expect($bad->json('errors.0.message'))->toContain('no column "level"');
    foreach (['centre-line.csv', 'centre-line.geojson'] as $file) {
        $text = (string) file_get_contents(base_path("examples/{$file}"));
        expect(
            $this->as('engineer')
                ->post(
                    '/api/v1/centre-line',
                    ['file' => UploadedFile::fake()->createWithContent($file, $text)],
                    ['Accept' => 'application/json'],
                )
                ->assertOk()
                ->json('points'),
        )->toHaveCount(32);
    }
});

it('lets an engineer load a school as data and judges by it, and names each fault of a bad file', function () {
    $raw = Data::json('procedures/pvc-spigot-socket.json');
    $raw['id'] = 'pvc-tight';
    $raw['title'] = 'PVC, own rule';
    $raw['parameters']['max_visible_mm'] = ['value' => 2, 'label' => 'mark visible', 'source' => 'own rule', 'certainty' => 'project'];
    $this->as('joiner')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $raw])
        ->assertForbidden();
    $hash = $this->as('engineer')
        ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $raw])
        ->assertCreated()
        ->json('hash');
    $line = $this->as('engineer')
        ->postJson('/api/v1/lines', ['procedure_hash' => $hash] + $this->lineBody())
        ->assertCreated()
        ->json();
    $joint = $line['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'mark', ['depth_mm' => 132, 'mark_mm' => 122])->assertCreated();
    expect(
        $this->record('joiner', "subjects/joint/{$joint}", 'seen', ['visible_mm' => 3])
            ->assertCreated()
            ->json('judgement.verdict'),
    )->toBe('bad');
    unset($raw['title']);
    $raw['steps'][0]['kind'] = 'dance';
    expect(
        array_column(
            $this->as('engineer')
                ->postJson('/api/v1/procedures', ['project_id' => $this->project->id, 'procedure' => $raw])
                ->assertUnprocessable()
                ->json('errors'),
            'field',
        ),
    )->toContain('title', 'steps[0].kind');
    expect($this->as('stranger')->getJson('/api/v1/procedures')->json())->toHaveCount(count(Procedure::shipped()));
});

it('serves every calculation with the same refusal as the command line', function () {
    $this->as('joiner')
        ->postJson('/api/v1/calculations/dew-point', ['air_c' => 20, 'rh_pct' => 50])
        ->assertOk()
        ->assertJsonPath('dew_c', fn ($v) => abs($v - 9.255175) < 1e-5);
    $this->as('joiner')
        ->postJson('/api/v1/calculations/dew-point', ['air_c' => 20, 'rh_pct' => 150])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'rh_pct');
    $this->as('joiner')->postJson('/api/v1/calculations/nothing', [])->assertNotFound();
    exec(base_path('bin/diastoma').' calc dew-point \'{"air_c":20,"rh_pct":150}\'', $out, $code);
    expect($code)->toBe(2)->and(json_decode($out[0], true)['error']['field'])->toBe('rh_pct');
});

it('sends a strict content security policy and describes itself', function () {
    $page = $this->get('/')->assertOk();
    expect($page->headers->get('Content-Security-Policy'))
        ->toContain("script-src 'self'")
        ->not->toContain("script-src 'self' 'unsafe-inline'");
    expect($page->getContent())->not->toMatch('/<script(?![^>]*src=)[^>]*>/');
    $api = $this->getJson('/api/v1/openapi.json')->assertOk();
    $known = array_keys($api->json('paths'));
    foreach (app('router')->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/v1/') && $route->uri() !== 'api/v1/openapi.json') {
            expect($known)->toContain('/'.substr($route->uri(), 7));
        }
    }
});

it('says before a file is stored what speaks against it, and replaces a wrong one with a reason', function () {
    $line = $this->makeLine();
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")->assertCreated()->json('id');
    $this->record('engineer', "subjects/test/{$test}", 'instruments', $this->instruments())->assertCreated();
    $rows = fn (string $day): string => "time;pressure [bar]\n".
        implode("\n", array_map(
            fn (int $m) => sprintf('%s %02d:%02d:00;%.2f', $day, 8 + intdiv($m, 60), $m % 60, 8 + $m / 1000),
            range(0, 90),
        ));
    $read = fn (string $csv, array $more) => $this->as('engineer')->post(
        '/api/v1/files/pressure-log',
        ['file' => UploadedFile::fake()->createWithContent('hold.csv', $csv)] + $more,
        ['Accept' => 'application/json'],
    );
    $here = ['subject' => "test/{$test}", 'step' => 'log'];
    $old = $read($rows('2024-05-04'), $here)->assertOk()->json();
    expect($old['first_at'])
        ->toBe('2024-05-04T08:00:00+02:00')
        ->and($old['last_at'])
        ->toBe('2024-05-04T09:30:00+02:00')
        ->and($old['doubts'][0])
        ->toStartWith('It ends on 4 May 2024, 09:30, and this work was begun on ');
    // Without the work it is only read; of work of others nothing is said.
    expect($read($rows('2024-05-04'), [])->assertOk()->json())->not->toHaveKey('doubts');
    $this->as('stranger')
        ->post('/api/v1/files/pressure-log', ['file' => UploadedFile::fake()->createWithContent('h.csv', $rows('2024-05-04'))] + $here, [
            'Accept' => 'application/json',
        ])
        ->assertNotFound();
    $read($rows('2024-05-04'), ['subject' => 'test/none'])->assertStatus(422);
    $value = fn (array $samples, string $name) => [
        'trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => $samples, 'source' => 'file', 'file' => $name,
        'first_at' => $old['first_at'], 'last_at' => $old['last_at'],
    ];
    $path = "subjects/test/{$test}";
    $ready = ['ready' => ['restrained' => true, 'valves' => true, 'zone' => true], 'fill' => ['water_c' => 12, 'vented' => true]];
    foreach ($ready as $step => $said) {
        $this->record('engineer', $path, $step, $said)->assertCreated();
    }
    $first = $this->record('engineer', $path, 'log', $value($old['samples'], 'wrong.csv'))->assertCreated()->json('fact.id');
    $again = $this->as('engineer')->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")->json('id');
    expect($read($rows('2024-05-04'), ['subject' => "test/{$again}", 'step' => 'log'])->json('doubts'))
        ->toContain('The same readings are recorded already at One, test 1 of Test line.');
    // So they are where they were recorded before readings were remembered.
    $remembered = EvidenceFile::query()->get()->toArray();
    EvidenceFile::query()->delete();
    $before = require database_path('migrations/2026_04_07_000000_evidence_that_was_stored_before.php');
    $before->up();
    $before->up();
    expect(EvidenceFile::query()->get()->toArray())->toBe($remembered)->toHaveCount(1);
    $right = $value(array_slice($old['samples'], 0, 60), 'right.csv');
    $this->record('engineer', $path, 'log', $right, ['supersedes' => $first])->assertStatus(422);
    $this->record('engineer', $path, 'log', $right, ['supersedes' => $first, 'reason' => 'of another section'])->assertCreated();
    $live = ['trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => [[0, 800], [1, 801]], 'source' => 'device'];
    $prepared = [
        'instruments' => $this->instruments(),
        'ready' => ['restrained' => true, 'valves' => true, 'zone' => true],
        'fill' => ['water_c' => 12, 'vented' => true],
    ];
    foreach ($prepared as $step => $said) {
        $this->record('engineer', "subjects/test/{$again}", $step, $said)->assertCreated();
    }
    $recorded = $this->record('engineer', "subjects/test/{$again}", 'log', $live)->assertCreated()->json('fact.id');
    $this->record('engineer', "subjects/test/{$again}", 'log', $right, ['supersedes' => $recorded, 'reason' => 'nicer'])
        ->assertStatus(409)
        ->assertSee('What a device recorded while the work was done stays');
});

it('lets no pressure on a section while one of its joints is warm', function () {
    $line = $this->makeLine('ef-coupler-one-pass');
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")->assertCreated()->json('id');
    $log = fn (): array => collect($this->as('engineer')->getJson("/api/v1/subjects/test/{$test}")->assertOk()->json('judgement.steps'))
        ->firstWhere('key', 'log');
    expect($log()['opens_at'])->toBeNull();
    $cold = now()->addHour();
    $joints = App\Models\Joint::query()->where('line_id', $line['id'])->orderBy('chainage_m')->get();
    foreach ($joints as $joint) {
        $pipes = ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal'];
        $morning = ['recorded_at' => '2026-05-04T08:00:00+02:00'];
        $this->record('joiner', "subjects/joint/{$joint->id}", 'pipes', $pipes, $morning)->assertCreated();
        $joint->refresh();
    }
    $joints[0]->update(['clocks' => ['test_from' => $cold->toIso8601String()]]);
    $joints[1]->update(['clocks' => ['test_from' => now()->subHour()->toIso8601String()]]);
    expect(strtotime($log()['opens_at']))->toBe($cold->getTimestamp());
    // What was done all the same is kept, and bad.
    $path = "subjects/test/{$test}";
    foreach (
        [
            'instruments' => $this->instruments(),
            'ready' => ['restrained' => true, 'valves' => true, 'zone' => true],
            'fill' => ['water_c' => 12, 'vented' => true],
            'log' => [
                'trace' => (string) Str::uuid(),
                'part' => 0,
                'final' => true,
                'samples' => [[0, 800], [1, 801]],
                'source' => 'device',
            ],
        ] as $step => $value
    ) {
        $this->record('engineer', $path, $step, $value)->assertCreated();
    }
    expect($log()['verdict'])
        ->toBe('bad')
        ->and(implode(' ', array_column($log()['reasons'], 'text')))
        ->toContain('a joint was warm, or concrete green.');
});

it('judges a test by the joints that were there: one that is made in a repair after it makes it no worse', function () {
    $line = $this->makeLine('ef-coupler-one-pass');
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$line['sections'][0]['id']}/tests")->assertCreated()->json('id');
    $steps = [
        'instruments' => $this->instruments(),
        'ready' => ['restrained' => true, 'valves' => true, 'zone' => true],
        'fill' => ['water_c' => 12, 'vented' => true],
        'log' => ['trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => [[0, 800], [1, 801]], 'source' => 'device'],
    ];
    foreach ($steps as $step => $value) {
        $this->record('engineer', "subjects/test/{$test}", $step, $value)->assertCreated();
    }
    $log = fn (): array => collect($this->as('engineer')->getJson("/api/v1/subjects/test/{$test}")->assertOk()->json('judgement.steps'))
        ->firstWhere('key', 'log');
    $before = $log();
    $joint = App\Models\Joint::query()->where('line_id', $line['id'])->firstOrFail();
    $this->travel(1)->hours();
    $this->record('joiner', "subjects/joint/{$joint->id}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal'], [
        'recorded_at' => now()->toIso8601String(),
    ])->assertCreated();
    $joint->refresh()->update(['clocks' => ['test_from' => now()->addHours(2)->toIso8601String()]]);
    expect($log()['verdict'])->toBe($before['verdict'])->and($log()['opens_at'])->toBeNull();
});

it('holds a test up by what holds its thrust: not looked at, bad, or its concrete still green', function () {
    $line = $this->makeLine();
    $section = $line['sections'][0]['id'];
    $plan = fn (): array => $this->as('foreman')->getJson("/api/v1/sections/{$section}")->assertOk()->json('plan');
    $before = $plan();
    $hash = App\Models\ProcedureText::query()->where('key', 'thrust-held')->firstOrFail()->hash;
    $held = fn (string $name, float $at): string => $this->as('foreman')
        ->postJson("/api/v1/lines/{$line['id']}/stretches", ['procedure_hash' => $hash, 'name' => $name, 'from_m' => $at])
        ->assertCreated()->json('id');
    $bend = $held('Bend by the weir', 9);
    expect($plan()['missing'])->toBe([...$before['missing'], 'Bend by the weir is not finished.'])
        ->and($plan()['earliest'])->toBe($before['earliest']);

    $poured = now()->subDays(2);
    $facts = [
        'pushes' => ['at' => 'bend', 'test_kpa' => 1200, 'turn_deg' => 22.5],
        'held-by' => ['by' => 'block'],
        'built' => [
            'soil' => 'sand', 'confirmed' => true, 'height_mm' => 600, 'width_mm' => 300, 'depth_mm' => 1500, 'undisturbed' => true,
            'clear' => true,
        ],
        'poured' => ['at' => $poured->format('Y-m-d\TH:i:sP'), 'sort' => 'normal'],
    ];
    $at = ['recorded_at' => now()->format('Y-m-d\TH:i:sP')];
    foreach ($facts as $step => $value) {
        $this->record('foreman', "subjects/stretch/{$bend}", $step, $value, $at)->assertCreated();
    }
    $strong = $poured->copy()->addDays(7);
    $test = $this->as('engineer')->postJson("/api/v1/sections/{$section}/tests")->assertCreated()->json('id');
    $opens = fn (): ?string => collect($this->as('engineer')->getJson("/api/v1/subjects/test/{$test}")->json('judgement.steps'))
        ->firstWhere('key', 'log')['opens_at'];
    expect($plan()['missing'])->toContain('Bend by the weir waits for its signature.')
        ->and($plan()['earliest']['governing'])->toBe('Bend by the weir')
        ->and($plan()['earliest']['is_joint'])->toBeFalse()
        ->and(strtotime($plan()['earliest']['earliest_at']))->toBe($strong->getTimestamp())
        ->and(strtotime((string) $opens()))->toBe($strong->getTimestamp());
    $this->record('inspector', "subjects/stretch/{$bend}", 'accept', ['signed' => true])->assertCreated();
    // Signed it holds nothing up but the time of its concrete; in another section nothing at all.
    expect($plan()['missing'])->toBe($before['missing'])->and(strtotime((string) $opens()))->toBe($strong->getTimestamp());
    $method = App\Models\ProcedureText::query()->where('key', 'constant-pressure-makeup')->firstOrFail()->hash;
    $other = $this->as('engineer')->postJson("/api/v1/lines/{$line['id']}/sections", [
        'name' => 'Two', 'from_m' => 0, 'to_m' => 6, 'method_hash' => $method,
    ])->assertCreated()->json('sections.1.id') ?? '';
    expect($this->as('foreman')->getJson("/api/v1/sections/{$other}")->assertOk()->json('plan.earliest'))->toBeNull();
    $end = $held('End cap', 18);
    $this->record('foreman', "subjects/stretch/{$end}", 'pushes', ['at' => 'dead-end', 'test_kpa' => 1200])->assertCreated();
    $this->record('foreman', "subjects/stretch/{$end}", 'held-by', ['by' => 'locked'])->assertCreated();
    $length = ['designed_m' => 18, 'locked_m' => 12, 'every' => true];
    $this->record('foreman', "subjects/stretch/{$end}", 'locked-length', $length)->assertCreated();
    expect($plan()['missing'])->toContain('End cap: does not hold the thrust.');
    // Looked at for less than the test puts on it, it holds the test up though it is good.
    $tee = $held('Tee', 9);
    $welded = ['pushes' => ['at' => 'dead-end', 'test_kpa' => 500], 'held-by' => ['by' => 'welded']];
    foreach ($welded + ['welded-through' => ['through' => true, 'no_other' => true]] as $step => $value) {
        $this->record('foreman', "subjects/stretch/{$tee}", $step, $value, $at)->assertCreated();
    }
    $this->record('inspector', "subjects/stretch/{$tee}", 'accept', ['signed' => true])->assertCreated();
    expect(implode(' ', $plan()['missing']))->toMatch('/Tee is held for 500 kPa; the test puts \\d+ kPa on it\\./');
});
