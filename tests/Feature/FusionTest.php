<?php

use App\Models\Joint;
use App\Models\ProcedureText;
use Diastoma\Core\Simulation\FusionBox;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** @return array<string, mixed> a trace for the 110 mm fitting of the tests, ended at a moment */
function fusedAt(string $ended, string $fault = 'none', array $more = []): array
{
    $end = new DateTimeImmutable($ended);

    return $more + [
        'trace' => (string) Str::uuid(),
        'part' => 0,
        'final' => true,
        'source' => 'stand-in',
        'supply_v' => 230,
        'cold_r_ohm' => 1.6 * FusionBox::programme($fault)['r_ratio'],
        'samples' => FusionBox::trace(39.5, 1.6, 154, $fault),
        'started_at' => $end->modify('-154 seconds')->format(DATE_ATOM),
        'ended_at' => $end->format(DATE_ATOM),
    ];
}

/** @return array<string, mixed> */
function stepOf(array $judgement, string $key): array
{
    return collect($judgement['steps'])->firstWhere('key', $key);
}

beforeEach(function () {
    // Long after what is recorded here: the clocks of these joints have run out.
    Carbon::setTestNow('2026-05-04T12:00:00Z');
    // The traces below are played by the stand-in.
    $this->project->update(['practice' => true]);
    $keep = $this->kept(...);
    $this->things = [
        'kit' => [
            'card' => $keep('operator-card', 'Joiner', [
                'valid_until' => '2099-01-01',
                'works' => 'electrofusion',
                'materials' => 'PE100',
                'dn_min_mm' => 20,
                'dn_max_mm' => 400,
            ]),
            'box' => $keep('fusion-box', 'Box', ['due_on' => '2099-01-01', 'efficiency' => 0.85, 'power_factor' => 0.8]),
            'tape' => $keep('circumference-tape', 'Tape', ['due_on' => '2099-01-01']),
            'tool' => $keep('peeling-tool', 'Peeler', ['due_on' => '2099-01-01']),
            'solvent' => $keep('solvent', 'Bottle', ['sort' => 'isopropanol', 'strength_pct' => 99]),
        ],
        'scriber' => $keep('scriber', 'Scriber', ['depth_mm' => 0.18]),
        'set' => $keep('power-source', 'Set', ['rated_va' => 5000, 'voltage_v' => 230, 'derate_pct' => 0]),
        'layout' => $keep('code-layout', 'Practice', [
            'practice' => true,
            'layout' => array_intersect_key(Diastoma\Core\Data::json('codes/practice.json'), ['fields' => 1]),
        ]),
    ];
    $this->coupler = function (string $procedure, array $but = []): string {
        $body = ['dn_mm' => 110, 'sdr' => 11] + $this->lineBody($procedure, ['name' => "Line of {$procedure} ".Str::random(6)]);
        $joint = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json('joints.0.id');
        $wipesFirst = $procedure === 'ef-coupler-groove';
        $clocks =
            $wipesFirst
                ? ['12:00', '12:45', '1:30', '2:15', '3:00', '3:45', '4:30', '5:15']
                : ['12:00', '1:30', '3:00', '4:30'];
        $facts = [
            'kit' => $this->things['kit'] + ($wipesFirst ? ['scriber' => $this->things['scriber']] : []),
            'conditions' => [
                'air_c' => 14,
                'rh_pct' => 60,
                'pipe_c' => 13,
                'fitting_c' => 14,
                'wind_ms' => 2,
                'shelter' => false,
                'rain' => false,
            ],
            'pipes' => ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal'],
            'code' => ['code' => '010000110395160210150039', 'layout' => $this->things['layout']],
            'label' => [
                'dn_mm' => 110,
                'voltage_v' => 39.5,
                'time_s' => 150,
                'cooling_min' => 15,
                'sdr_min' => 11,
                'sdr_max' => 17,
                'coupling_mm' => 160,
                'gap_mm' => 0.7,
            ],
            'supply' => ['generator' => $this->things['set'], 'alone' => true, 'earthed' => true],
        ];
        foreach (['a', 'b'] as $side) {
            $facts += [
                "cut-ends@{$side}" => ['square' => true, 'gravel' => false, 'washed' => true],
                "od@{$side}" => ['od_tape_mm' => 110.15, 'od_end_mm' => 109.8],
                "ovality@{$side}" => ['readings' => array_map(fn ($c) => ['clock' => $c, 'value_mm' => 110.3], $clocks)],
                ...($wipesFirst ? [
                    "lengths@{$side}" => ['first_mm' => 90, 'second_mm' => 320],
                    "wipe@{$side}" => ['wiped' => true, 'dry' => true],
                    "scribe@{$side}" => ['sides' => 4, 'inked' => true],
                ] : []),
                "scrape@{$side}" => ['od_after_mm' => 109.6, 'marks_gone' => true, 'sharp' => true, 'tool' => 'turning'],
                "mark@{$side}" => ['dressed' => true, 'mark_mm' => 80, 'all_round' => true],
            ];
        }
        $facts += [
            'assemble' => ['bag' => true, 'clamped' => true, 'free' => true, 'marks_at_face' => true]
                + ($wipesFirst ? ['untouched' => true] : ['wiped' => true, 'dry' => true]),
            'gap' => ['readings' => array_map(fn ($c) => ['clock' => $c, 'value_mm' => 0.4], ['12:00', '3:00', '6:00', '9:00'])],
            'ready' => ['tight' => true, 'contacts' => true, 'ends_closed' => true, 'supported' => true, 'display' => true],
        ];
        $minute = 0;
        foreach ($but + $facts as $step => $_) {
            $this->record('joiner', "subjects/joint/{$joint}", $step, $but[$step] ?? $facts[$step], [
                'recorded_at' => (new DateTimeImmutable('2026-05-04T08:42:00+02:00'))
                    ->modify('+'.$minute++.' minutes')
                    ->format(DATE_ATOM),
            ])->assertCreated();
        }

        return $joint;
    };
    $this->send = fn (string $joint, string $step, array $value, string $at, array $more = []) => $this->record(
        'joiner',
        "subjects/joint/{$joint}",
        $step,
        $value,
        $more + ['recorded_at' => $at],
    );
});

afterEach(fn () => Carbon::setTestNow());

it('takes what a stand-in played for nothing in a project that is real, and says so everywhere in one that is practice', function () {
    $joint = ($this->coupler)('ef-coupler-one-pass');
    $at = '2026-05-04T09:22:40+02:00';
    // Each request reads its project anew; only here is who asks the same object.
    $becomes = function (bool $practice): void {
        $this->project->update(['practice' => $practice]);
        array_map(fn ($person) => $person->unsetRelations(), $this->people);
    };
    $becomes(false);
    $real = ($this->send)($joint, 'fusion', fusedAt('2026-05-04T09:22:34+02:00'), $at)->assertCreated()->json('judgement');
    $said = 'Played by the stand-in of the device: it proves nothing of this work.';
    expect(stepOf($real, 'fusion')['verdict'])
        ->toBe('open')
        ->and(array_column(stepOf($real, 'fusion')['reasons'], 'text'))
        ->toContain($said);
    ($this->send)($joint, 'cooling', ['released_at' => '2026-05-04T09:40:00+02:00'], '2026-05-04T09:40:00+02:00');
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true], ['recorded_at' => '2026-05-04T11:00:00+02:00'])
        ->assertUnprocessable();

    $becomes(true);
    $seen = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertOk()->json();
    expect(stepOf($seen['judgement'], 'fusion')['verdict'])->toBe('good')->and($seen['line']['practice'])->toBeTrue();
    $line = $seen['line']['id'];
    expect($this->as('joiner')->getJson("/api/v1/lines/{$line}")->json('practice'))->toBeTrue();
    $csv = $this->as('joiner')->get("/api/v1/lines/{$line}/register.csv")->streamedContent();
    [$head, $first] = array_map(fn (string $row) => str_getcsv($row, ';', '"', ''), explode("\n", $csv));
    expect(array_combine($head, $first)['practice'])->toBe('yes');
    $features = json_decode($this->as('joiner')->get("/api/v1/lines/{$line}/line.geojson")->streamedContent(), true)['features'];
    expect($features[0]['properties']['practice'])->toBeTrue();
});

it('takes a joint from its label to a signature, and its clocks with it', function () {
    $joint = ($this->coupler)('ef-coupler-one-pass');
    $fused = ($this->send)($joint, 'fusion', fusedAt('2026-05-04T09:22:34+02:00'), '2026-05-04T09:22:40+02:00')
        ->assertCreated()
        ->json('judgement');
    expect(stepOf($fused, 'fusion')['verdict'])
        ->toBe('good')
        ->and(array_column($fused['clocks'], 'at', 'name')['clamps_off'])
        ->toBe('2026-05-04T07:37:34Z')
        ->and($fused['next'])
        ->toBe('cooling');
    ($this->send)($joint, 'cooling', ['released_at' => '2026-05-04T09:40:00+02:00'], '2026-05-04T09:40:00+02:00')->assertCreated();
    $signs = [
        'leads_off' => true,
        'indicators_up' => true,
        'marks_visible' => true,
        'marks_moved' => false,
        'peel_visible' => true,
        'melt_escape' => false,
        'wire_exposed' => false,
        'misaligned' => false,
        'moved' => false,
        'wet' => false,
    ];
    ($this->send)($joint, 'look', $signs, '2026-05-04T09:41:00+02:00')->assertCreated();
    $this->record('joiner', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertForbidden();
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true], ['recorded_at' => '2026-05-04T09:50:00+02:00'])
        ->assertCreated()
        ->assertJsonPath('judgement.verdict', 'good');
    expect(Joint::query()->findOrFail($joint)->state->value ?? Joint::query()->findOrFail($joint)->state)->toBe('accepted');
    $this->record('joiner', "subjects/joint/{$joint}", 'trace-codes', ['fitting_code' => 'aB3dE5fG7hJ9kL1m'])->assertAccepted();
});

it('keeps the pieces of a fusion, says nothing bad before its end, and lets the file of the box complete it', function () {
    $joint = ($this->coupler)('ef-coupler-one-pass');
    $whole = fusedAt('2026-05-04T09:22:34+02:00');
    $piece = fn (int $part, array $rows, bool $final) => ['part' => $part, 'samples' => $rows, 'final' => $final] +
        array_diff_key($whole, $final ? [] : ['ended_at' => 1]);
    ($this->send)($joint, 'fusion', $piece(0, array_slice($whole['samples'], 0, 40), false), '2026-05-04T09:20:10+02:00')->assertCreated();
    $half = ($this->send)($joint, 'fusion', $piece(1, array_slice($whole['samples'], 40, 40), false), '2026-05-04T09:20:20+02:00')
        ->assertCreated()
        ->json('judgement');
    expect(stepOf($half, 'fusion'))
        ->toMatchArray(['status' => 'running', 'verdict' => 'open'])
        ->and($half['next'])
        ->toBe('fusion')
        ->and(array_column(stepOf($half, 'fusion')['reasons'], 'text'))
        ->toContain('The trace is not complete.');
    $done = ($this->send)($joint, 'fusion', $piece(2, $whole['samples'], true), '2026-05-04T09:25:00+02:00')
        ->assertCreated()
        ->json('judgement');
    expect(stepOf($done, 'fusion'))
        ->toMatchArray(['status' => 'done', 'verdict' => 'good'])
        ->and(stepOf($done, 'fusion')['results']['fusion-trace']['energy_pct'])
        ->toBeGreaterThan(95);
});

it('never calls a fitting good that was fused twice, except by a permit where the procedure knows one', function (
    string $procedure,
    bool $permit,
    string $verdict,
) {
    $joint = ($this->coupler)($procedure);
    ($this->send)($joint, 'fusion', fusedAt('2026-05-04T09:15:00+02:00', 'interruption'), '2026-05-04T09:15:05+02:00')->assertCreated();
    $signed = fn (string $who) => $this->record(
        $who,
        "subjects/joint/{$joint}",
        'permit',
        ['signed' => true, 'document' => 'Works procedure 7, clause 4', 'cause' => 'supply', 'cooled' => true],
        ['recorded_at' => '2026-05-04T09:17:00+02:00'],
    );
    if ($permit) {
        $signed('joiner')->assertForbidden();
        $signed('engineer')->assertCreated();
    }
    $again = ($this->send)($joint, 'fusion', fusedAt('2026-05-04T09:19:40+02:00'), '2026-05-04T09:20:00+02:00')
        ->assertCreated()
        ->json('judgement');
    expect(stepOf($again, 'fusion')['verdict'])->toBe($verdict, json_encode(array_column(stepOf($again, 'fusion')['reasons'], 'text')));
    // Whatever is said of the second, the first trace is still there.
    expect(
        collect(
            $this->as('joiner')
                ->getJson("/api/v1/subjects/joint/{$joint}")
                ->json('facts'),
        )->where('step', 'fusion'),
    )->toHaveCount(2);
})->with([['ef-coupler-one-pass', false, 'bad'], ['ef-coupler-groove', false, 'bad'], ['ef-coupler-groove', true, 'close']]);

it('keeps a tap that was done while it was shut, and it is bad for good, whatever clock a device shows', function (string $at) {
    $line = $this->as('engineer')
        ->postJson('/api/v1/lines', ['dn_mm' => 110, 'sdr' => 11] + $this->lineBody('ef-coupler-one-pass', ['name' => 'Services']))
        ->assertCreated()
        ->json();
    $hash = ProcedureText::query()->where('key', 'ef-saddle-tapping')->firstOrFail()->hash;
    $saddle = $this->as('engineer')
        ->postJson("/api/v1/lines/{$line['id']}/joints", ['procedure_hash' => $hash, 'chainage_m' => 4])
        ->assertCreated()
        ->json('0.id');
    $tap = fn (string $at, array $more = []) => $this->record(
        'joiner',
        "subjects/joint/{$saddle}",
        'tap',
        ['cut' => true, 'capped' => true],
        $more + ['recorded_at' => $at],
    );
    $judgement = $tap($at, ['id' => ($id = (string) Str::uuid())])
        ->assertCreated()
        ->json('judgement');
    expect($judgement['verdict'])
        ->toBe('bad')
        ->and(stepOf($judgement, 'tap')['lock'])
        ->toMatchArray(['code' => 'needs-good', 'protects' => true])
        ->and(stepOf($judgement, 'tap')['reasons'][0]['text'])
        ->toContain('while it was shut: "Test the branch, main uncut" must be good first.');
    // What is entered later does not make it done later.
    $later = $tap('2031-06-01T00:00:00Z', ['supersedes' => $id, 'reason' => 'mistyped'])->assertCreated()->json('judgement');
    expect(stepOf($later, 'tap')['verdict'])->toBe('bad')
        ->and($this->as('joiner')->getJson("/api/v1/subjects/joint/{$saddle}")->json('facts'))->toHaveCount(2);
})->with(['2026-05-04T09:00:00+02:00', '2031-01-01T00:00:00Z']);

it('lists joints of every kind in the register and in what goes out', function () {
    $line = $this->as('engineer')
        ->postJson('/api/v1/lines', ['dn_mm' => 110, 'sdr' => 11] + $this->lineBody('ef-coupler-one-pass', ['name' => 'Mixed']))
        ->assertCreated()
        ->json();
    $hash = fn (string $key) => ProcedureText::query()->where('key', $key)->firstOrFail()->hash;
    $this->as('foreman')
        ->postJson("/api/v1/lines/{$line['id']}/joints", ['procedure_hash' => $hash('ef-saddle-tapping'), 'chainage_m' => 4.25])
        ->assertCreated();
    $csv = $this->as('joiner')
        ->get("/api/v1/lines/{$line['id']}/register.csv")
        ->assertOk();
    $text =
        $csv->baseResponse instanceof Symfony\Component\HttpFoundation\StreamedResponse
            ? $csv->streamedContent()
            : (string) $csv->getContent();
    expect($text)->toContain('S1')->toContain('4.25');
    $point = collect(
        $this->as('joiner')
            ->getJson("/api/v1/lines/{$line['id']}/line.geojson")
            ->assertOk()
            ->json('features'),
    )->firstWhere('properties.joint', 'S1');
    // On the straight line from (0, 0, 10) to (18, 0, 11), to the millimetre.
    expect($point['geometry']['coordinates'])->toEqualWithDelta([4.25, 0.0, 10 + 4.25 / 18], 5.1e-4);
});
