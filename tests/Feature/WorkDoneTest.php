<?php

use App\Actions\ExamineSeals;
use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Seal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/* How much work the database is given: counted, not timed. */

/** @return list<string> what the database was asked */
function asked(callable $work): array
{
    $asked = [];
    $listening = true;
    DB::listen(function ($query) use (&$asked, &$listening): void {
        if ($listening) {
            $asked[] = $query->sql;
        }
    });
    $work();
    $listening = false;

    return $asked;
}

it('records a fact with at most eight queries, however many there are already', function () {
    $line = $this->makeLine('pvc-spigot-socket');
    $path = 'subjects/joint/'.$line['joints'][0]['id'];
    $round = ['readings' => array_map(fn ($clock) => ['clock' => $clock, 'value_mm' => 0.5], ['12:00', '3:00', '6:00', '9:00'])];
    $one = asked(fn () => $this->record('joiner', $path, 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated());
    $two = asked(fn () => $this->record('joiner', $path, 'cut', $round)->assertCreated());
    $three = asked(fn () => $this->record('joiner', $path, 'chamfer', ['length_mm' => 14])->assertCreated());
    // Who is asking and for which projects is known to the test already, and to every route alike.
    expect(count($one))
        ->toBeLessThanOrEqual(9, implode("\n", $one))
        ->and(count($two))
        ->toBeLessThanOrEqual(8, implode("\n", $two))
        ->and(count($three))
        ->toBe(count($two));
});

it('answers a fact with what it changed, so that nothing else is read anew', function () {
    $line = $this->makeLine('pvc-spigot-socket');
    $joint = $line['joints'][0];
    $said = $this->record('joiner', "subjects/joint/{$joint['id']}", 'pipes', ['pipe_a' => '7', 'pipe_b' => '8'])
        ->assertCreated()
        ->json();
    $again = $this->as('joiner')
        ->getJson("/api/v1/subjects/joint/{$joint['id']}")
        ->json();
    expect($said['fact'])
        ->toEqual($again['facts'][0])
        ->and($said['facts'])
        ->toBe(1)
        ->and($said['closed'])
        ->toBeNull()
        ->and($said['rows'][0]['next_title'])
        ->toBe('Squareness of the cut')
        ->and($said['line_id'])
        ->toBe($line['id'])
        ->and($said['rows'])
        ->toEqual([
            collect(
                $this->as('joiner')
                    ->getJson("/api/v1/lines/{$line['id']}")
                    ->json('joints'),
            )->firstWhere('id', $joint['id']),
        ]);
});

it('holds the seals of a line against their facts a few hundred at a time', function () {
    $line = Line::query()->findOrFail($this->makeLine('pvc-spigot-socket')['id']);
    $previous = str_repeat('0', 64);
    $canonical = fn (Fact $f) => [
        $f->id,
        $f->step,
        $f->value,
        $f->typed,
        $f->recorded_at,
        $f->user_id,
        $f->role,
        $f->supersedes,
        $f->reason,
    ];
    for ($i = 0; $i < 30; $i++) {
        $joint = Joint::query()->create([
            'id' => (string) Str::uuid(),
            'line_id' => $line->id,
            'number' => "s{$i}",
            'chainage_m' => $i / 10,
        ]);
        foreach (['one', 'two'] as $step) {
            $joint
                ->facts()
                ->create([
                    'id' => (string) Str::uuid(),
                    'step' => $step,
                    'value' => ['x' => $i],
                    'typed' => ['x' => $i],
                    'recorded_at' => '2026-05-04T10:00:00+02:00',
                    'user_id' => $this->people['joiner']->id,
                    'role' => 'joiner',
                    'body_hash' => hash('sha256', "{$i}{$step}"),
                ]);
        }
        $facts = hash('sha256', Diastoma\Core\Procedure\Procedure::canonical($joint->facts()->get()->map($canonical)->all()));
        $seal = [
            'previous' => $previous,
            'facts_hash' => $facts,
            'procedure_hash' => $line->procedure_hash,
            'verdict' => 'good',
            'sealed_at' => '2026-05-04 10:00:00.000',
        ];
        $previous = Seal::hashOf($previous, $facts, $line->procedure_hash, 'good', '2026-05-04 10:00:00.000');
        Seal::query()->create(
            $seal + [
                'hash' => $previous,
                'line_id' => $line->id,
                'subject_type' => 'joint',
                'subject_id' => $joint->id,
                'user_id' => $this->people['inspector']->id,
            ],
        );
    }
    $broken = null;
    $queries = asked(function () use ($line, &$broken): void {
        $broken = ExamineSeals::broken($line);
    });
    expect($broken)->toBe([])->and(count($queries))->toBeLessThanOrEqual(3);
    DB::table('facts')->where('subject_id', $joint->id)->where('step', 'two')->update(['value' => '{"x": 99}']);
    expect(ExamineSeals::broken($line))->toHaveCount(1);
});

it('lists lines by counts: what it costs grows neither with the lines nor with their joints', function () {
    $list = fn () => $this->as('engineer')->getJson('/api/v1/lines')->assertOk()->json();
    $line = $this->makeLine();
    $few = asked($list);
    $more = $this->lineBody(more: ['name' => 'Longer', 'centre_line' => [[100, 0, 0, 10], [1300, 1200, 0, 11]], 'sections' => []]);
    $this->as('engineer')->postJson('/api/v1/lines', $more)->assertCreated();
    expect(count(asked($list)))->toBe(count($few));

    foreach ($line['joints'] as $n => $joint) {
        Joint::query()->whereKey($joint['id'])->update([
            'state' => ['accepted', 'cut-out', 'begun'][$n] ?? 'planned',
            'verdict' => ['good', 'bad', 'bad'][$n] ?? 'open',
        ]);
    }
    [$longer, $short] = $list();
    // Joints at 6 and 12 m of 18; the one that is cut out does not count, and neither does its verdict.
    expect($short['joints'])->toBe(['total' => 1, 'begun' => 1, 'made' => 1, 'accepted' => 1, 'bad' => 0])
        ->and($short['parts'])->toBe([['at' => 20, 'total' => 1, 'begun' => 1, 'made' => 1, 'accepted' => 1, 'bad' => 0]])
        ->and($short['sections'])->toBe(['total' => 1, 'good' => 0])
        ->and($short['start_m'])->toEqual(0);
    // 199 joints, 6 m apart from chainage 106: 60 parts of 20 m hold three or four each, and none is lost at the ends.
    expect($longer['joints']['total'])->toBe(199)
        ->and(array_column($longer['parts'], 'at'))->toBe(range(0, 59))
        ->and(array_sum(array_column($longer['parts'], 'total')))->toBe(199)
        ->and(min(array_column($longer['parts'], 'total')))->toBe(3)
        ->and(max(array_column($longer['parts'], 'total')))->toBe(4)
        ->and($longer['joints']['made'])->toBe(0)
        ->and($longer['sections'])->toBe(['total' => 0, 'good' => 0]);
});

it('draws a line, and offers at a joint what others have, with as many statements for one joint that is begun as for many', function () {
    $line = $this->makeLine('ef-coupler-one-pass', ['centre_line' => [[0, 0, 0, 9], [96, 96, 0, 9]], 'sections' => []]);
    $joints = array_column($line['joints'], 'id');
    $last = array_pop($joints);
    $begin = function (string $joint, int $n): void {
        $weather = ['air_c' => 14, 'rh_pct' => 60, 'pipe_c' => 13, 'fitting_c' => 14, 'wind_ms' => 2, 'rain' => false];
        $pipes = ['pipe_a' => "p{$n}", 'pipe_b' => 'p'.($n + 1), 'slides' => 'normal'];
        $this->record('joiner', "subjects/joint/{$joint}", 'conditions', $weather)->assertCreated();
        $this->record('joiner', "subjects/joint/{$joint}", 'pipes', $pipes)->assertCreated();
    };
    $reads = fn (): array => array_map(
        fn (string $path) => count(asked(fn () => $this->as('joiner')->getJson("/api/v1/{$path}")->assertOk())),
        ["lines/{$line['id']}", "subjects/joint/{$last}"],
    );
    $begin(array_shift($joints), 0);
    $reads();
    $one = $reads();
    foreach ($joints as $n => $joint) {
        $begin($joint, $n + 1);
    }
    $rows = collect($this->as('joiner')->getJson("/api/v1/lines/{$line['id']}")->json('joints'));
    expect($rows->where('state', 'begun'))
        ->toHaveCount(count($joints) + 1)
        ->and($rows->firstWhere('state', 'begun')['next_title'])
        ->not->toBeNull()
        ->and(count($joints))
        ->toBeGreaterThan(4)
        ->and($reads())
        ->toBe($one);
});

it('reads what was recorded without sorting it in a table of its own on the disk', function () {
    $line = $this->makeLine('pvc-spigot-socket');
    $path = 'subjects/joint/'.$line['joints'][0]['id'];
    $this->record('joiner', $path, 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    $row = (array) DB::table('facts')->sole();
    DB::table('facts')->insert(
        array_map(fn (int $n) => ['seq' => $row['seq'] + $n, 'id' => (string) Str::uuid()] + $row, range(1, 60)),
    );
    $onDisk = fn (): int => (int) DB::selectOne("SHOW SESSION STATUS LIKE 'Created_tmp_disk_tables'")->Value;
    $before = $onDisk();
    $joint = Joint::query()->findOrFail($line['joints'][0]['id']);
    expect($joint->recorded()->pluck('by')->unique()->all())
        ->toBe(['Joiner'])
        ->and($onDisk() - $before)
        ->toBe(0);
});
