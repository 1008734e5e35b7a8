<?php

use App\Actions\AddJoints;
use App\Actions\AddStretch;
use App\Actions\AdmitPerson;
use App\Actions\AskForPack;
use App\Actions\ChangeLine;
use App\Actions\ChangesOfLine;
use App\Actions\ConfirmSigner;
use App\Actions\CutOutJoint;
use App\Actions\ExamineSeals;
use App\Actions\JudgeSubject;
use App\Actions\KeepPhoto;
use App\Actions\KeepPipe;
use App\Actions\KeepStoreItem;
use App\Actions\ManagePeople;
use App\Actions\PlanSection;
use App\Actions\RecordFact;
use App\Actions\SayOfPipe;
use App\Actions\SealSubject;
use App\Actions\TakeBackJoint;
use App\Laying\Asked;
use App\Laying\LayDown;
use App\Models\Fact;
use App\Models\Joint;
use App\Models\LayingPlan;
use App\Models\Line;
use App\Models\Pack;
use App\Models\PackKind;
use App\Models\PackState;
use App\Models\Photo;
use App\Models\Pipe;
use App\Models\PipeWord;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Programme;
use App\Models\Role;
use App\Models\Seal;
use App\Models\Section;
use App\Models\StoreItem;
use App\Models\Stretch;
use App\Models\User;
use App\Programme\DayAsked;
use App\Programme\TakeProgramme;
use App\Support\Conflict;
use Diastoma\Core\Laying\Tolerance;
use Diastoma\Core\Pipe\PipeNumber;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Refused;
use Illuminate\Cache\RateLimiter;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Facade;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/*
 * Each verb twenty times at the same moment, in processes of their own with connections of their own. What they meet is
 * committed, so these tests leave the database to be made anew.
 */
const AT_ONCE = 20;

/**
 * @param  callable(int): mixed  $job  done by each process at the same moment
 * @return list<string> what each said: "done", "conflict", or the fault
 */
function atOnce(callable $job, int $times = AT_ONCE): array
{
    $folder = sys_get_temp_dir().'/at-once-'.Str::random(8);
    mkdir($folder);
    DB::disconnect();
    $start = microtime(true) + 0.25 + 0.01 * $times;
    $children = [];
    for ($i = 0; $i < $times; $i++) {
        $pid = pcntl_fork();
        if ($pid === 0) {
            try {
                DB::reconnect();
                DB::select('SELECT 1');
                usleep((int) max(0, 1e6 * ($start - microtime(true))));
                $job($i);
                $said = 'done';
            } catch (Conflict) {
                $said = 'conflict';
            } catch (Throwable $e) {
                $said = $e::class.': '.$e->getMessage();
            }
            file_put_contents("{$folder}/{$i}", $said);
            // Without the ends of a test: they are the parent's.
            posix_kill(posix_getpid(), SIGKILL);
        }
        $children[] = $pid;
    }
    foreach ($children as $pid) {
        pcntl_waitpid($pid, $status);
    }
    DB::reconnect();
    $said = array_map(fn (int $i) => (string) @file_get_contents("{$folder}/{$i}"), range(0, $times - 1));
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);

    return $said;
}

/** @return array<string, int> */
function told(array $said): array
{
    $counts = array_count_values($said);
    ksort($counts);

    return $counts;
}

beforeEach(function () {
    // What was made before is there for all to see.
    DB::commit();
    $this->body = fn (string $step, array $value, ?string $id = null): array => [
        'id' => $id ?? (string) Str::uuid(),
        'step' => $step,
        'value' => $value,
        'recorded_at' => '2026-05-04T10:00:00+02:00',
    ];
    $this->recordAs = fn (string $joint, array $body, string $who = 'joiner') => app(RecordFact::class)(
        Joint::query()->findOrFail($joint),
        User::query()
            ->where('email', "{$who}@test.example")
            ->firstOrFail(),
        Role::from($who),
        $body,
    );
});

afterEach(function () {
    DB::beginTransaction();
    RefreshDatabaseState::$migrated = false;
});

it('chains the seals of a line when many sign at once', function () {
    $line = Line::query()->findOrFail($this->makeLine()['id']);
    $many = 50;
    $joints = collect(range(1, $many))->map(
        fn (int $n) => Joint::query()->create([
            'id' => (string) Str::uuid(),
            'line_id' => $line->id,
            'number' => "X{$n}",
            'chainage_m' => $n / 10,
            'pipes' => ['a' => '1', 'b' => '2'],
        ]),
    );
    $said = atOnce(function (int $i) use ($joints): void {
        for ($round = 0; $round < 10; $round++) {
            DB::transaction(function () use ($joints, $i): void {
                $joint = Joint::query()->lockForUpdate()->findOrFail($joints[$i]->id);
                app(SealSubject::class)($joint, $joint->judgement(), User::query()->firstOrFail());
            }, 3);
        }
    }, $many);
    expect(told($said))
        ->toBe(['done' => $many])
        ->and(ExamineSeals::broken($line))
        ->toBe([])
        ->and(Seal::query()->where('line_id', $line->id)->pluck('previous')->unique())
        ->toHaveCount(10 * $many)
        ->and(Seal::query()->where('line_id', $line->id)->count())
        ->toBe(10 * $many);
});

it('stores one fact once, however often it comes at the same moment', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $body = ($this->body)('pipes', ['pipe_a' => '1', 'pipe_b' => '2']);
    expect(told(atOnce(fn () => ($this->recordAs)($joint, $body))))
        ->toBe(['done' => AT_ONCE])
        ->and(Fact::query()->where('subject_id', $joint)->count())
        ->toBe(1);
    // The same id on two joints at once: one is stored, the other is told.
    $joints = array_column($this->makeLine('ef-coupler-one-pass')['joints'], 'id');
    $shared = ($this->body)('pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal']);
    $said = atOnce(fn (int $i) => ($this->recordAs)($joints[$i % 2], $shared));
    expect(told($said))
        ->toBe(['conflict' => AT_ONCE / 2, 'done' => AT_ONCE / 2])
        ->and(Fact::query()->whereIn('subject_id', $joints)->count())
        ->toBe(1);
});

it('lets one of many first entries of a step stand, and tells the others', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $said = atOnce(fn (int $i) => ($this->recordAs)($joint, ($this->body)('chamfer', ['length_mm' => 10 + $i])));
    expect(told($said))->toBe(['conflict' => AT_ONCE - 1, 'done' => 1])->and(Fact::query()->where('subject_id', $joint)->count())->toBe(1);
});

it('cuts a joint out once, and numbers tests and restraints without a gap or a double', function () {
    $made = $this->makeLine('ef-coupler-large');
    $joint = $made['joints'][0]['id'];
    ($this->recordAs)($joint, ($this->body)('pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'slides' => 'normal']));
    $hash = ProcedureText::query()->where('key', 'ef-restraint')->firstOrFail()->hash;
    $line = Line::query()->findOrFail($made['id']);
    $said = atOnce(fn () => app(AddJoints::class)($line, ['procedure_hash' => $hash, 'host_id' => $joint, 'count' => 1]), 6);
    expect(told($said))
        ->toBe(['done' => 6])
        ->and(Joint::query()->where('host_id', $joint)->pluck('number')->sort()->values()->all())
        ->toBe(['1a1', '1a2', '1a3', '1a4', '1a5', '1a6', '1b1', '1b2', '1b3', '1b4', '1b5', '1b6']);
    $said = atOnce(fn () => app(CutOutJoint::class)(Joint::query()->findOrFail($joint), User::query()->firstOrFail(), 'cracked'));
    expect(told($said))
        ->toBe(['conflict' => AT_ONCE - 1, 'done' => 1])
        ->and(Joint::query()->where('replaces_id', $joint)->count())
        ->toBe(2);
    $section = Section::query()->where('line_id', $line->id)->firstOrFail();
    $said = atOnce(fn () => app(PlanSection::class)->begin($section));
    expect(told($said))->toBe(['done' => AT_ONCE])->and($section->tests()->pluck('number')->all())->toBe(range(1, AT_ONCE));
});

it('pulls a joint apart once, however many of the crew say it', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    Joint::query()->whereKey($joint)->update(['state' => 'begun']);
    $said = atOnce(
        fn () => app(CutOutJoint::class)(Joint::query()->findOrFail($joint), User::query()->firstOrFail(), 'rolled', null, true),
    );
    expect(told($said))
        ->toBe(['conflict' => AT_ONCE - 1, 'done' => 1])
        ->and(Joint::query()->where('replaces_id', $joint)->pluck('number')->all())
        ->toBe(['1R']);
});

it('keeps a photo once, and answers for no other one', function () {
    $joints = array_map(fn (array $j) => Joint::query()->findOrFail($j['id']), $this->makeLine('ef-coupler-one-pass')['joints']);
    $keep = function (string $id, Joint $joint, int $width): Photo {
        ob_start();
        imagepng(imagecreatetruecolor($width, 30));

        return app(KeepPhoto::class)(
            $joint,
            User::query()->firstOrFail(),
            $id,
            'look',
            '2026-05-04T10:00:00+02:00',
            UploadedFile::fake()->createWithContent('p.png', (string) ob_get_clean()),
        );
    };
    $kept = fn (string $id): bool => hash('sha256', (string) Storage::get(Photo::path($id))) === Photo::query()->findOrFail($id)->sha256;
    $id = (string) Str::uuid();
    expect(told(atOnce(fn () => $keep($id, $joints[0], 40))))
        ->toBe(['done' => AT_ONCE])
        ->and(Photo::query()->count())
        ->toBe(1)
        ->and($kept($id))
        ->toBeTrue();
    // One id for the pictures of two joints: one is kept as it was taken, the others are told.
    for ($round = 0; $round < 5; $round++) {
        $id = (string) Str::uuid();
        $said = atOnce(fn (int $i) => $keep($id, $joints[$i % 2], 40 + $i % 2));
        expect(told($said))->toBe(['conflict' => AT_ONCE / 2, 'done' => AT_ONCE / 2])->and($kept($id))->toBeTrue();
    }
});

it('keeps a thing of the stores once, and lets one of many renewals stand', function () {
    $thing = [
        'id' => (string) Str::uuid(),
        'kind' => 'fusion-box',
        'name' => 'Box',
        'values' => ['due_on' => '2099-01-01', 'efficiency' => 0.85, 'power_factor' => 0.8],
    ];
    $keep = fn (array $body) => app(KeepStoreItem::class)($this->project->refresh(), User::query()->firstOrFail(), $body);
    expect(told(atOnce(fn () => $keep($thing))))->toBe(['done' => AT_ONCE])->and(StoreItem::query()->count())->toBe(1);
    $said = atOnce(fn () => $keep(['id' => (string) Str::uuid(), 'supersedes' => $thing['id'], 'reason' => 'calibrated'] + $thing));
    expect(told($said))->toBe(['conflict' => AT_ONCE - 1, 'done' => 1])->and(StoreItem::query()->count())->toBe(2);
});

it('keeps the chain of a line unbroken under fifty signatures at once, ten times over', function () {
    $rounds = 10;
    $each = 50;
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [6.0 * ($rounds * $each + 1), 0, 0, 11]], 'sections' => []]);
    $line = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    $joints = array_column($line['joints'], 'id');
    $judge = app(JudgeSubject::class);
    $seal = app(SealSubject::class);
    $by = User::query()->where('email', 'inspector@test.example')->firstOrFail();
    for ($round = 0; $round < $rounds; $round++) {
        $said = atOnce(fn (int $i) => DB::transaction(function () use ($joints, $round, $each, $i, $judge, $seal, $by): void {
            $joint = Joint::query()->lockForUpdate()->findOrFail($joints[$round * $each + $i]);
            $seal($joint, $judge($joint), $by, 'inspector');
        }, 3), $each);
        expect(told($said))->toBe(['done' => $each]);
    }
    expect(Seal::query()->where('line_id', $line['id'])->count())->toBe($rounds * $each)
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);
});

it('looks at five of twenty passwords that are tried at once', function () {
    // Counted where all processes count, as it is when it serves.
    config(['cache.default' => 'database']);
    app()->forgetInstance(RateLimiter::class);
    app('cache')->setDefaultDriver('database');
    Facade::clearResolvedInstance(RateLimiter::class);
    $inspector = User::query()->where('email', 'inspector@test.example')->firstOrFail();
    $said = atOnce(fn (int $i) => app(ConfirmSigner::class)($inspector, "guess {$i}"));
    $refused = array_filter($said, fn (string $one) => str_starts_with($one, Refused::class));
    $tooMany = array_filter($said, fn (string $one) => str_starts_with($one, TooManyRequestsHttpException::class));
    expect(count($refused))->toBe(5)->and(count($tooMany))->toBe(AT_ONCE - 5);
});

it('lets in one of many who follow a link at once, and gives one role to who follows it twenty times', function () {
    $admit = app(AdmitPerson::class);
    $engineer = User::query()->where('email', 'engineer@test.example')->firstOrFail();
    [, $token] = $admit->invite($engineer, ['project_id' => $this->project->id, 'role' => 'joiner']);
    $said = atOnce(fn (int $i) => $admit->admit($token, [
        'name' => "Person {$i}", 'email' => "person{$i}@test.example", 'password' => 'long-enough-word',
    ]));
    expect(told($said))->toBe(['conflict' => AT_ONCE - 1, 'done' => 1])
        ->and(User::query()->where('email', 'like', 'person%')->count())->toBe(1);
    [, $other] = $admit->invite($engineer, ['project_id' => $this->project->id, 'role' => 'joiner']);
    $same = fn () => $admit->admit($other, ['name' => 'Same', 'email' => 'same@test.example', 'password' => 'long-enough-word']);
    expect(told(atOnce($same)))->toBe(['conflict' => AT_ONCE - 1, 'done' => 1]);
});

it('never loses the last administrator, however many take it from each other at once', function () {
    $ids = collect(range(1, AT_ONCE))->map(fn (int $i) => User::query()->create([
        'name' => "Administrator {$i}", 'email' => "admin{$i}@test.example", 'password' => 'long-enough-word', 'is_admin' => true,
    ])->id);
    $manage = app(ManagePeople::class);
    $said = atOnce(function (int $i) use ($ids, $manage): void {
        $user = User::query()->findOrFail($ids[$i]);
        $i % 2 === 0 ? $manage->disable($user) : $manage->makeAdministrator($user, false);
    });
    expect(told($said))->toBe(['conflict' => 1, 'done' => AT_ONCE - 1])
        ->and(User::query()->where('is_admin', true)->whereNull('disabled_at')->count())->toBe(1);
});

it('takes a joint back or records on it, and never both', function () {
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [36, 36, 0, 11]], 'sections' => []]);
    foreach ($this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json('joints') as $made) {
        $said = atOnce(fn (int $i) => $i % 2 === 0
            ? app(TakeBackJoint::class)(Joint::query()->findOrFail($made['id']))
            : ($this->recordAs)($made['id'], ($this->body)('pipes', ['pipe_a' => "{$i}a", 'pipe_b' => "{$i}b"])));
        $stands = Joint::query()->whereKey($made['id'])->exists();
        expect(Fact::query()->where('subject_id', $made['id'])->count())->toBe($stands ? 1 : 0)
            ->and(implode(' ', $said))->not->toContain('QueryException');
    }
});

it('makes one pipe of a number that many joints name at once, and adds a number once', function () {
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [6.0 * (AT_ONCE + 1), 9, 0, 11]], 'sections' => []]);
    $line = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json();
    $joints = array_column($line['joints'], 'id');
    $said = atOnce(fn (int $i) => ($this->recordAs)($joints[$i], ($this->body)('pipes', ['pipe_a' => 'N 1', 'pipe_b' => "N{$i}0"])));
    expect(told($said))
        ->toBe(['done' => AT_ONCE])
        ->and(Pipe::query()->where('line_id', $line['id'])->where('plain', PipeNumber::plain('N 1'))->count())
        ->toBe(1)
        ->and(Joint::query()->whereIn('id', $joints)->pluck('pipe_a_id')->unique())
        ->toHaveCount(1);
    $add = fn () => app(KeepPipe::class)->add(Line::query()->findOrFail($line['id']), User::query()->firstOrFail(), ['number' => 'X-9']);
    expect(told(atOnce($add)))->toBe(['conflict' => AT_ONCE - 1, 'done' => 1]);
});

it('leaves every joint judged by the pipes as they are, whoever speaks of a pipe while facts come in', function () {
    $who = User::query()->where('email', 'engineer@test.example')->firstOrFail();
    for ($round = 0; $round < 3; $round++) {
        $line = Line::query()->findOrFail($this->makeLine()['id']);
        $joints = Joint::query()->where('line_id', $line->id)->orderBy('chainage_m')->pluck('id');
        $pipe = fn (): Pipe => Pipe::query()->where('line_id', $line->id)->where('plain', '2')->firstOrFail();
        $steps = [
            ['pipes', ['pipe_a' => '1', 'pipe_b' => '2']],
            ['chamfer', ['length_mm' => 14]],
            ['pipes', ['pipe_a' => '2', 'pipe_b' => '3']],
        ];
        $said = atOnce(function (int $i) use ($line, $joints, $pipe, $who, $steps): void {
            try {
                match (true) {
                    $i < 6 => ($this->recordAs)($joints[$i % 2], ($this->body)(...$steps[$i % 3])),
                    $i < 13 => app(KeepPipe::class)->change($pipe(), $line, $who, ['nominal' => 160, 'sdr' => [17, 21, 26][$i % 3]]),
                    default => app(SayOfPipe::class)($pipe(), $who, $i % 2 === 0, 'cracked, or not'),
                };
            } catch (Refused) {
                // It is rejected already, or not at all.
            }
        });
        expect(array_diff(array_keys(told($said)), ['done', 'conflict']))->toBe([]);
        foreach (Joint::query()->whereIn('id', $joints)->get() as $joint) {
            $fresh = Joint::query()->findOrFail($joint->id)->judgement();
            expect([$joint->verdict, $joint->done, $joint->next_step])->toBe([$fresh->verdict->value, $fresh->done, $fresh->next])
                ->and($joint->state === 'planned')->toBe($joint->recorded()->isEmpty());
        }
        // What was said of the pipe last is how it stands.
        $last = PipeWord::query()->where('pipe_id', $pipe()->id)->orderByDesc('seq')->first();
        expect($last->state ?? Pipe::TO_HAND)->toBe($pipe()->state);
    }
});

it('removes a section or begins its test, and never both', function () {
    $line = $this->makeLine();
    $section = $line['sections'][0]['id'];
    $copy = Section::query()->findOrFail($section);
    for ($round = 0; $round < 5; $round++) {
        $planned = $copy->replicate();
        $planned->id = (string) Str::uuid();
        $planned->save();
        $said = atOnce(function (int $i) use ($planned): void {
            $plan = app(PlanSection::class);
            $own = Section::query()->findOrFail($planned->id);
            $i % 2 === 0 ? $plan->remove($own) : $plan->begin($own);
        });
        $tests = PressureTest::query()->where('section_id', $planned->id)->count();
        $begun = count(array_filter($said, fn (string $s, int $i) => $s === 'done' && $i % 2 === 1, ARRAY_FILTER_USE_BOTH));
        $removed = count(array_filter($said, fn (string $s, int $i) => $s === 'done' && $i % 2 === 0, ARRAY_FILTER_USE_BOTH));
        expect($tests)->toBe($begun)->and($removed)->toBe($begun === 0 ? 1 : 0)
            ->and(Section::query()->whereKey($planned->id)->exists())->toBe($begun > 0)
            // Whoever came too late is told why, or that it is not there any more.
            ->and(implode(' ', array_diff($said, ['done'])))->not->toContain('QueryException');
    }
});

it('begins one record for a day, however many begin it', function () {
    $line = $this->makeLine()['id'];
    $hash = ProcedureText::query()->where('key', 'day-record')->firstOrFail()->hash;
    $said = atOnce(fn () => app(AddStretch::class)(
        Line::query()->findOrFail($line), User::query()->firstOrFail(), ['procedure_hash' => $hash],
    ));
    expect(told($said))->toBe(['done' => AT_ONCE])->and(Stretch::query()->where('line_id', $line)->count())->toBe(1);
    // Deliveries are each their own, and none has the name of another.
    $hash = ProcedureText::query()->where('key', 'delivery')->firstOrFail()->hash;
    $said = atOnce(fn () => app(AddStretch::class)(
        Line::query()->findOrFail($line), User::query()->firstOrFail(), ['procedure_hash' => $hash],
    ));
    $names = Stretch::query()->where('line_id', $line)->where('procedure_hash', $hash)->pluck('name');
    expect(told($said))->toBe(['done' => AT_ONCE])->and($names->unique())->toHaveCount(AT_ONCE);
});

it('keeps every entry of a list that many write at once, and each pipe once', function () {
    $line = $this->makeLine()['id'];
    $hash = ProcedureText::query()->where('key', 'delivery')->firstOrFail()->hash;
    $id = app(AddStretch::class)(Line::query()->findOrFail($line), User::query()->firstOrFail(), ['procedure_hash' => $hash])->id;
    $said = atOnce(fn (int $i) => app(RecordFact::class)(
        Stretch::query()->findOrFail($id),
        $this->people['foreman'],
        Role::Foreman,
        ($this->body)('pipe-numbers', ['first' => sprintf('%03d', 10 * $i), 'last' => sprintf('%03d', 10 * $i + 4)]),
    ));
    expect(told($said))->toBe(['done' => AT_ONCE])
        ->and(Fact::query()->where('subject_id', $id)->count())->toBe(AT_ONCE)
        ->and(Pipe::query()->where('delivery_id', $id)->count())->toBe(5 * AT_ONCE)
        ->and(Stretch::query()->findOrFail($id)->judgement()->steps['pipe-numbers']->fact?->value['count'])->toBe(AT_ONCE);
});

it('records each of many changes of a line, and its chain holds', function () {
    [$line] = sealedLine($this);
    $said = atOnce(fn (int $i) => app(ChangeLine::class)(
        Line::query()->findOrFail($line->id),
        $this->people['engineer'],
        Role::Engineer,
        ['reason' => 'tried at once', 'name' => "Name {$i}"],
    ));
    $changes = (new ChangesOfLine(Line::query()->findOrFail($line->id)))->all();
    expect(told($said))->toBe(['done' => AT_ONCE])->and($changes)->toHaveCount(AT_ONCE)
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line->id)))->toBe([]);
    // Each goes on from what the one before it left.
    foreach ($changes as $i => $change) {
        expect($change['changes'][0]['before'])->toBe($i === 0 ? 'Test line' : $changes[$i - 1]['changes'][0]['after']);
    }
});

it('gives every joint one procedure, whoever begins it while that of the line is changed, and judges it by that', function () {
    $length = 6.0 * (AT_ONCE + 1);
    $body = $this->lineBody(more: ['centre_line' => [[0, 0, 0, 10], [$length, 9, 0, 11]], 'sections' => []]);
    $line = Line::query()->findOrFail($this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json('id'));
    $joints = $line->joints()->pluck('id');
    $old = $line->procedureText;
    // A step more: who judges by the other text counts otherwise.
    $text = json_decode($old->body, true);
    $more = ['id' => 'looked', 'kind' => 'note', 'title' => 'Looked', 'fields' => [['key' => 'by', 'label' => 'By', 'type' => 'text']]];
    array_splice($text['steps'], -1, 0, [$more]);
    $adapted = Procedure::from(['title' => 'Our push-on'] + $text);
    $new = ProcedureText::freeze($adapted, $this->project->id)->hash;
    $said = atOnce(function (int $i) use ($line, $joints, $new): void {
        try {
            $i % 4 === 0
                ? app(ChangeLine::class)(Line::query()->findOrFail($line->id), $this->people['engineer'], Role::Engineer, [
                    'reason' => 'the maker has another one', 'procedure_hash' => $new,
                ])
                : ($this->recordAs)($joints[$i], ($this->body)('pipes', ['pipe_a' => "{$i}", 'pipe_b' => "9{$i}"]));
        } catch (Refused) {
            // It was changed already.
        }
    });
    expect(told($said))->toBe(['done' => AT_ONCE])
        ->and((new ChangesOfLine($line->refresh()))->all())->toHaveCount(1)
        ->and(ExamineSeals::broken($line))->toBe([]);
    foreach (Joint::query()->where('line_id', $line->id)->get() as $joint) {
        expect($joint->procedure_hash)->toBeIn($joint->state === 'planned' ? [$new] : [$new, $old->hash]);
        if ($joint->state !== 'planned') {
            $fresh = Joint::query()->findOrFail($joint->id)->judgement();
            expect([$joint->done, $joint->total, $joint->next_step])->toBe([$fresh->done, $fresh->total, $fresh->next]);
        }
    }
});

it('lays one plan down for a face, or finds that work went on, and never two plans through each other', function () {
    $line = Line::query()->findOrFail($this->makeLine()['id']);
    $joints = $line->joints()->get();
    $asked = new Asked([['length_m' => 4.0, 'count' => null]], 1.0, null, 1.0, 1.0, 0.0, new Tolerance, false, 0.0, 0.0, []);
    $said = atOnce(fn (int $i) => $i % 2 === 0
        ? app(LayDown::class)($line, $this->people['engineer'], Role::Engineer, $asked, 0.0, "plan {$i}")
        : ($this->recordAs)($joints[0]->id, ($this->body)('pipes', ['pipe_a' => '1', 'pipe_b' => '2'])));
    $left = Joint::query()->where('line_id', $line->id)->orderBy('chainage_m')->get();
    expect($left->pluck('chainage_m')->all())->toBe($left->pluck('chainage_m')->unique()->all())
        ->and($left->pluck('number')->unique()->count())->toBe($left->count())
        ->and(ExamineSeals::broken($line->refresh()))->toBe([]);
    // Whatever was told that it is done is there: a reading with its joint, or a plan.
    $facts = Fact::query()->where('step', 'pipes')->get();
    expect($facts->every(fn (Fact $fact) => Joint::query()->whereKey($fact->subject_id)->exists()))->toBeTrue()
        ->and(LayingPlan::query()->where('line_id', $line->id)->count())
        ->toBe(count(array_filter(array_keys($said), fn (int $i) => $i % 2 === 0 && $said[$i] === 'done')));
});

it('keeps each of many plans of the days that are taken at once, whole, and goes on from one of them', function () {
    $line = Line::query()->findOrFail($this->makeLine()['id']);
    $now = new DateTimeImmutable;
    $said = atOnce(fn (int $i) => app(TakeProgramme::class)(
        $line,
        null,
        DayAsked::from(['crews' => $i + 1, 'prepare_min' => 10, 'fit_min' => 5, 'work_days' => range(1, 7)]),
        $this->people[$i % 2 === 0 ? 'engineer' : 'foreman'],
        $now,
    ));
    $kept = Programme::query()->where('line_id', $line->id)->get();
    $joints = fn (Programme $plan): int => array_sum(array_column($plan->days, 'joints'));
    expect(told($said))->toBe(['done' => AT_ONCE])
        ->and($kept->map(fn (Programme $plan) => $plan->asked['crews'])->sort()->values()->all())->toBe(range(1, AT_ONCE))
        ->and($kept->map($joints)->unique()->all())->toBe([$line->joints()->count()]);
    foreach ($kept as $plan) {
        // Whose hands were counted is who said it.
        expect($plan->user_id)->toBe($this->people[$plan->asked['crews'] % 2 === 1 ? 'engineer' : 'foreman']->id);
    }
    expect(Programme::lastOf($line)?->id)->toBe(Programme::lastOf($line)?->id)->toBeIn($kept->modelKeys());
});

it('makes a file once for all who ask for it, and lets no two makers have the same', function () {
    $line = $this->makeLine()['id'];
    $said = atOnce(fn () => app(AskForPack::class)(
        PackKind::Archive, Line::query()->findOrFail($line), null, User::query()->findOrFail($this->people['engineer']->id),
    ));
    expect(told($said))->toBe(['done' => AT_ONCE])->and(Pack::query()->where('line_id', $line)->count())->toBe(1);
    foreach (range(2, 5) as $i) {
        app(AskForPack::class)(PackKind::Archive, Line::query()->findOrFail($this->makeLine()['id']), null, $this->people['engineer']);
    }
    atOnce(fn () => Pack::claim());
    // Who looked in the same instant and found all of it held, looks again.
    while (Pack::claim() !== null);
    expect(Pack::query()->where('state', PackState::Making->value)->where('attempts', 1)->count())->toBe(5);
});
