<?php

use App\Actions\ExamineSeals;
use App\Models\Contested;
use App\Models\Fact;
use App\Models\Line;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/* A reading belongs to the person and the device that made it, and to the time at which it was made. */

function contestedPipes(object $test): array
{
    $joint = $test->makeLine()['joints'][0]['id'];
    $test->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 14])->assertCreated();
    $id = (string) Str::uuid();
    $body = ['id' => $id, 'recorded_at' => '2026-05-04T09:59:00+02:00'];
    $answer = $test->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 13], $body)->assertAccepted();
    expect($answer->json('contested.id'))->toBe($id);

    return [$joint, $id, $body];
}

it('keeps both of two readings, and the later one waits', function () {
    [$joint, $id, $body] = contestedPipes($this);
    $page = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->assertOk()->json();
    expect($page['contested'])->toHaveCount(1)
        ->and($page['contested'][0])->toMatchArray(['id' => $id, 'by' => 'Foreman', 'counts' => null])
        ->and($page['contested'][0]['said'])->toContain('13')
        ->and(Fact::query()->count())->toBe(1);
    $waits = function (string $who): ?string {
        $rows = $this->as($who)->getJson('/api/v1/waiting')->assertOk()->json();

        return array_column($rows, 'text', 'what')['decide'] ?? null;
    };
    expect($waits('joiner'))->toBeNull()
        ->and($waits('inspector'))->toBeNull()
        ->and($waits('stranger'))->toBeNull()
        ->and($waits('engineer'))->toContain('by Foreman waits for a decision.');
    // Sent again it is the same one; the same id with another reading is another.
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 13], $body)->assertAccepted();
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 12], $body)->assertConflict();
    expect(Contested::query()->count())->toBe(1);
    // A slip of the same hand is put right by it, and a reading that cannot be read is none.
    $this->record('joiner', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 15])->assertConflict();
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 'long'])->assertUnprocessable();
});

it('keeps what one person recorded on two devices, too', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $on = fn (string $device, int $mm) => $this->record(
        'joiner',
        "subjects/joint/{$joint}",
        'chamfer',
        ['length_mm' => $mm],
        ['device' => $device],
    );
    [$one, $two] = [(string) Str::uuid(), (string) Str::uuid()];
    $on($one, 14)->assertCreated();
    $on($one, 15)->assertConflict();
    $on($two, 13)->assertAccepted();
    expect(DB::table('facts')->value('device'))->toBe($one);
});

it('lets a foreman or an engineer decide which counts, once, and keeps the name of who read it', function (bool $counts) {
    [$joint, $id, $body] = contestedPipes($this);
    $decide = fn (string $who, array $but = []) => $this->as($who)
        ->postJson("/api/v1/contested/{$id}/decision", $but + ['counts' => $counts, 'reason' => 'measured again together']);
    $decide('joiner')->assertForbidden();
    $decide('inspector')->assertForbidden();
    $decide('stranger')->assertNotFound();
    $decide('engineer', ['reason' => ' '])->assertUnprocessable()->assertJsonPath('errors.0.field', 'reason');
    $decide('foreman')->assertOk();
    $decide('engineer')->assertConflict();
    $page = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->json();
    expect($page['contested'][0])->toMatchArray(['counts' => $counts, 'decided_by' => 'Foreman', 'reason' => 'measured again together']);
    $facts = Fact::query()->orderBy('seq')->get();
    expect($facts)->toHaveCount($counts ? 2 : 1);
    if ($counts) {
        expect($facts[1]->id)->toBe($id)
            ->and($facts[1]->supersedes)->toBe($facts[0]->id)
            ->and($facts[1]->value['length_mm'])->toBe(13)
            ->and($facts[1]->recorded_at)->toBe('2026-05-04T09:59:00+02:00')
            ->and($facts[1]->reason)->toBe('Decided by Foreman (foreman): measured again together')
            ->and($facts[1]->user_id)->toBe($this->people['foreman']->id);
    }
    // The phone whose answer was lost sends once more: nothing is stored twice.
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 13], $body)->assertAccepted();
    expect(Fact::query()->count())->toBe($counts ? 2 : 1);
})->with([true, false]);

it('signs nothing while a decision waits', function () {
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    recordPvcJoint($this, $joint);
    $id = (string) Str::uuid();
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 13], ['id' => $id])->assertAccepted();
    $sign = fn () => $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true]);
    $said = $sign()->assertUnprocessable()->json('errors.0.message');
    expect($said)->toContain('A second reading of', 'by Foreman waits for a decision.');
    $this->as('engineer')->postJson("/api/v1/contested/{$id}/decision", ['counts' => false, 'reason' => 'of another joint'])->assertOk();
    $sign()->assertCreated();
    // What comes after the seal is kept, counts for nothing and breaks nothing.
    $late = (string) Str::uuid();
    $this->record('foreman', "subjects/joint/{$joint}", 'chamfer', ['length_mm' => 9], ['id' => $late])->assertAccepted();
    $this->as('engineer')->postJson("/api/v1/contested/{$late}/decision", ['counts' => true, 'reason' => 'it was so'])->assertConflict();
    expect(Contested::query()->where('id', $late)->value('counts'))->toBeNull()
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([]);
    // A second signature is none that could wait.
    $this->record('engineer', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertConflict();
});

it('corrects the time of a device whose clock is off, and says so', function (int $off) {
    $this->travelTo('2026-05-04 08:00:30');
    $joint = $this->makeLine()['joints'][0]['id'];
    $there = now()->addSeconds($off);
    $answer = $this->withHeader('X-Device-Clock', (string) $there->getTimestampMs())->record(
        'joiner',
        "subjects/joint/{$joint}",
        'pipes',
        ['pipe_a' => '1', 'pipe_b' => '2'],
        ['recorded_at' => $there->copy()->subMinutes(2)->setTimezone('Europe/Vienna')->format('Y-m-d\TH:i:sP')],
    )->assertCreated();
    // The same moment, whatever offset that day had at the place.
    expect(new DateTimeImmutable($answer->json('fact.recorded_at')))->toEqual(new DateTimeImmutable('2026-05-04T09:58:30+02:00'))
        ->and($answer->json('fact.clock_off_s'))->toBe($off)
        ->and($answer->json('judgement.steps'))->not->toBe([])
        ->and($answer->headers->get('X-Server-Time'))->toBe((string) now()->getTimestampMs());
    $step = collect($answer->json('judgement.steps'))->firstWhere('key', 'pipes');
    expect($step['verdict'])->toBe('good');
    // A battery that was empty: the clock began again in 1970.
})->with([7200, -7200, 61, -86400, -1_777_881_630]);

it('takes the time of a device that corrected it already, and of one that is right', function (array $body, int $off, ?int $noted) {
    $this->travelTo('2026-05-04 08:00:30');
    $joint = $this->makeLine()['joints'][0]['id'];
    $this->withHeader('X-Device-Clock', (string) now()->addSeconds($off)->getTimestampMs());
    $answer = $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'], $body)->assertCreated();
    expect($answer->json('fact.recorded_at'))->toBe('2026-05-04T10:00:00+02:00')->and($answer->json('fact.clock_off_s'))->toBe($noted);
})->with([
    'corrected' => [['clock_off_s' => 7200], 7200, 7200],
    'right' => [[], 0, null],
    'nearly right' => [[], 59, null],
]);

it('leaves open what was recorded at a time that cannot be', function (string $at, string $says) {
    $this->travelTo('2026-05-04 08:00:30');
    $joint = $this->makeLine()['joints'][0]['id'];
    $path = "subjects/joint/{$joint}";
    $answer = $this->record('joiner', $path, 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'], ['recorded_at' => $at])->assertCreated();
    $step = collect($answer->json('judgement.steps'))->firstWhere('key', 'pipes');
    expect($step['verdict'])->toBe('open')->and($step['reasons'][0]['text'])->toContain($says);
    // Time goes by and makes it no truer.
    $this->travel(3)->days();
    $later = collect($this->as('joiner')->getJson("/api/v1/{$path}")->json('judgement.steps'))->firstWhere('key', 'pipes');
    expect($later['verdict'])->toBe('open');
})->with([
    'in the future' => ['2026-05-04T12:30:00+02:00', 'a time that had not come yet when it arrived'],
    'before work began' => ['2025-12-31T23:59:00+01:00', 'before work on this line began on 1 January 2026'],
]);

it('takes the day on which a line is made for the day on which work begins, unless it is said', function () {
    $this->travelTo('2026-05-04 23:30:00');
    $body = $this->lineBody(more: ['name' => 'Begun']);
    unset($body['begun_on']);
    $id = $this->as('engineer')->postJson('/api/v1/lines', $body)->assertCreated()->json('id');
    // At the place it is the next day already.
    expect(Line::query()->findOrFail($id)->begun_on)->toBe('2026-05-05');
    $this->as('engineer')->postJson('/api/v1/lines', ['begun_on' => 'soon'] + $body)->assertUnprocessable();
});

it('says how large an entry may be', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2', 'remark' => str_repeat('x', 4_000_001)])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'value')
        ->assertJsonPath('title', 'value is too large: the entry has 4.0 MB, and at most 4 MB are taken at once. Record it in parts.');
    expect(Fact::query()->count())->toBe(0);
});

it('marks a photo that comes after the seal, and keeps the seal whole', function () {
    Illuminate\Support\Facades\Storage::fake();
    $line = $this->makeLine();
    $joint = $line['joints'][0]['id'];
    $photo = fn () => $this->as('joiner')->post("/api/v1/subjects/joint/{$joint}/photos", [
        'id' => (string) Str::uuid(), 'step' => 'push', 'taken_at' => '2026-05-04T10:00:00+02:00',
        'file' => Illuminate\Http\UploadedFile::fake()->createWithContent('face.png', picture()),
    ], ['Accept' => 'application/json'])->assertCreated()->json('late');
    expect($photo())->toBeFalse();
    recordPvcJoint($this, $joint);
    $this->record('inspector', "subjects/joint/{$joint}", 'accept', ['signed' => true])->assertCreated();
    expect($photo())->toBeTrue()
        ->and(ExamineSeals::broken(Line::query()->findOrFail($line['id'])))->toBe([])
        ->and($this->as('joiner')->getJson("/api/v1/subjects/joint/{$joint}")->json('photos.*.late'))->toBe([false, true]);
});

it('takes no time from a clock that says none', function (string $said) {
    $this->travelTo('2026-05-04 08:00:30');
    $joint = $this->makeLine()['joints'][0]['id'];
    $answer = $this->withHeader('X-Device-Clock', $said)
        ->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])
        ->assertCreated();
    expect($answer->json('fact.clock_off_s'))->toBeNull()->and($answer->json('fact.recorded_at'))->toBe('2026-05-04T10:00:00+02:00');
})->with(['1e308', '-1e300', '99999999999999999999', 'noon', '', 'INF', '0x10']);

it('says how far off a clock can be', function (int $off, int $status) {
    $joint = $this->makeLine()['joints'][0]['id'];
    $more = ['clock_off_s' => $off];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'], $more)->assertStatus($status);
})->with([[-1_777_881_630, 201], [2_000_000_000, 201], [2_000_000_001, 422]]);
