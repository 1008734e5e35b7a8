<?php

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\PipeWord;
use App\Models\ProcedureText;
use App\Models\Stretch;
use Diastoma\Core\Procedure\Example;
use Illuminate\Support\Str;

/* The day, the delivery, and what disappears: records of the line that are of no joint and no test. */

/** A record of a line. @return array<string, mixed> as the API shows it */
function recordOf(object $test, string $line, string $procedure, array $more = [], string $who = 'foreman'): array
{
    $hash = ProcedureText::query()->where('key', $procedure)->firstOrFail()->hash;

    return $test->as($who)->postJson("/api/v1/lines/{$line}/stretches", $more + ['procedure_hash' => $hash])->assertCreated()->json();
}

/** All that its example records, but for its signatures. */
function recordExample(object $test, string $stretch, string $procedure, array $instead = [], int $before = PHP_INT_MAX): void
{
    $stores = [];
    foreach (Example::shipped()[$procedure]->facts() as $i => $fact) {
        if ($i >= $before) {
            return;
        }
        $value = ($instead["{$fact->step}#{$i}"] ?? $instead[$fact->step] ?? []) + $fact->value;
        if (isset($value['permit'])) {
            $stores[$value['permit']['name']] ??= $test->kept('permit', $value['permit']['name'], array_diff_key($value['permit'], [
                'id' => 1, 'name' => 1, 'kind' => 1,
            ]));
            $value['permit'] = $stores[$value['permit']['name']];
        }
        if (isset($value['photos'])) {
            $value['photos'] = [photographed($test, $stretch, $fact->step)];
        }
        $test->record('foreman', "subjects/stretch/{$stretch}", $fact->step, $value, ['recorded_at' => $fact->at->format('c')])
            ->assertCreated();
    }
}

function photographed(object $test, string $stretch, string $step): string
{
    $id = (string) Str::uuid();
    $file = Illuminate\Http\UploadedFile::fake()->createWithContent('p.png', picture());
    $test->as('foreman')
        ->post("/api/v1/subjects/stretch/{$stretch}/photos", [
            'id' => $id, 'step' => $step, 'taken_at' => '2026-05-04T10:00:00+02:00', 'file' => $file,
        ])
        ->assertCreated();

    return $id;
}

it('puts the pipes of a delivery into the list of the line, the rejected one as such', function () {
    $line = $this->makeLine()['id'];
    $delivery = recordOf($this, $line, 'delivery');
    expect($delivery['name'])->toBe('Delivery 1')->and($delivery['place'])->toBe('line');
    recordExample($this, $delivery['id'], 'delivery');
    $pipes = collect($this->as('joiner')->getJson("/api/v1/lines/{$line}/pipes")->json())->keyBy('number');
    expect($pipes)->toHaveCount(14)
        ->and($pipes['001'])
        ->toMatchArray(['serial' => 'L-2231', 'length_m' => 6, 'source' => 'Ravensclough Pipe Works', 'state' => 'to-hand'])
        ->and($pipes['009'])->toMatchArray(['state' => 'rejected', 'reason' => 'spigot, two chips on the bevel'])
        ->and($pipes['009']['said'][0]['by'])->toBe('Foreman');
    // Who wrote it closes it, and the record is sealed.
    $page = $this->as('joiner')->getJson("/api/v1/subjects/stretch/{$delivery['id']}")->json();
    expect($page['state'])->toBe('accepted')->and($page['judgement']['verdict'])->toBe('good')
        ->and($page['seal']['broken'])->toBe([])->and($page['seal']['alone'])->toBeNull();
});

it('has the rejected pipe said in the joint that names it', function () {
    $made = $this->makeLine();
    recordExample($this, recordOf($this, $made['id'], 'delivery')['id'], 'delivery');
    $joint = $made['joints'][0]['id'];
    $said = $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '001', 'pipe_b' => '009'])->assertCreated()->json();
    expect($said['judgement']['verdict'])->toBe('bad')->and(json_encode($said['judgement']))->toContain('two chips on the bevel');
});

it('takes back a number that was misread, and keeps what somebody said of a pipe', function () {
    $line = $this->makeLine()['id'];
    $delivery = recordOf($this, $line, 'delivery')['id'];
    recordExample($this, $delivery, 'delivery', before: 9);
    $path = "subjects/stretch/{$delivery}";
    $first = (string) Str::uuid();
    $wrong = ['first' => '0101', 'last' => '0104', 'length_m' => 6];
    $this->record('foreman', $path, 'pipe-numbers', $wrong, ['id' => $first])->assertCreated();
    $numbers = fn () => Pipe::query()->where('line_id', $line)->where('delivery_id', $delivery)->orderBy('number')->pluck('number')->all();
    expect($numbers())->toBe(['0101', '0102', '0103', '0104']);
    $pipe = Pipe::query()->where('number', '0104')->firstOrFail();
    $this->as('foreman')->postJson("/api/v1/pipes/{$pipe->id}/words", ['rejected' => true, 'reason' => 'dented'])->assertCreated();
    $right = ['first' => '101', 'last' => '102', 'length_m' => 6];
    $this->record('foreman', $path, 'pipe-numbers', $right, ['supersedes' => $first, 'reason' => 'misread'])->assertCreated();
    expect($numbers())->toBe(['0101', '0102'])
        ->and(Pipe::query()->where('number', '0103')->exists())->toBeFalse()
        ->and(Pipe::query()->where('number', '0104')->firstOrFail()->only(['delivery_id', 'state']))
        ->toBe(['delivery_id' => null, 'state' => 'rejected'])
        ->and(PipeWord::query()->count())->toBe(1);
});

it('says of a pipe that is on site already with which delivery it came, and leaves it there', function () {
    $line = $this->makeLine()['id'];
    recordExample($this, recordOf($this, $line, 'delivery')['id'], 'delivery');
    $second = recordOf($this, $line, 'delivery');
    expect($second['name'])->toBe('Delivery 2');
    recordExample($this, $second['id'], 'delivery', before: 9);
    $path = "subjects/stretch/{$second['id']}";
    $said = $this->record('foreman', $path, 'pipe-numbers', ['first' => '14', 'last' => '16'])->assertCreated()->json();
    expect(json_encode($said['judgement']))->toContain('Here already: 14, with Delivery 1.')
        ->and(Pipe::query()->where('delivery_id', $second['id'])->pluck('number')->all())->toBe(['15', '16']);
});

it('does not reject again what somebody has accepted since', function () {
    $line = $this->makeLine()['id'];
    $delivery = recordOf($this, $line, 'delivery')['id'];
    recordExample($this, $delivery, 'delivery', before: 11);
    $pipe = Pipe::query()->where('number', '009')->firstOrFail();
    $this->as('foreman')->postJson("/api/v1/pipes/{$pipe->id}/words", ['rejected' => false, 'reason' => 'cut back'])->assertCreated();
    $this->record('foreman', "subjects/stretch/{$delivery}", 'pipe-numbers', ['first' => '020'])->assertCreated();
    expect($pipe->refresh()->state)->toBe('to-hand');
});

it('begins one record for a day, whoever begins it, in the time of the place', function () {
    $line = $this->makeLine()['id'];
    $this->travelTo(new DateTimeImmutable('2026-05-04T22:30:00Z'));
    $one = recordOf($this, $line, 'day-record');
    expect($one['name'])->toBe('5 May 2026')->and($one['daily'])->toBeTrue()
        ->and(recordOf($this, $line, 'day-record', who: 'joiner')['id'])->toBe($one['id']);
    $this->travelTo(new DateTimeImmutable('2026-05-05T22:30:00Z'));
    expect(recordOf($this, $line, 'day-record')['id'])->not->toBe($one['id']);
});

it('offers who was there the day before, and asks each to sign anew', function () {
    $line = $this->makeLine()['id'];
    $this->travelTo(new DateTimeImmutable('2026-05-04T08:00:00Z'));
    recordExample($this, recordOf($this, $line, 'day-record')['id'], 'day-record');
    $this->travelTo(new DateTimeImmutable('2026-05-05T08:00:00Z'));
    $today = recordOf($this, $line, 'day-record')['id'];
    $offers = collect($this->as('foreman')->getJson("/api/v1/subjects/stretch/{$today}")->json('offers'))->groupBy('step');
    expect($offers['crew-of-day']->pluck('value')->all())
        ->toEqual([['as' => 'foreman', 'name' => 'Odile Fenner'], ['as' => 'joiner', 'name' => 'Bram Ivesley']])
        ->and($offers['talk-heard']->pluck('value')->all())->toBe([['name' => 'Bram Ivesley'], ['name' => 'Odile Fenner']])
        ->and($offers['crew-of-day'][0]['of'])->toBe('4 May 2026')
        ->and($offers)->not->toHaveKey('day-events');
});

it('closes a day by who wrote it, and not before people, permits and talk are there', function () {
    $line = $this->makeLine()['id'];
    $day = recordOf($this, $line, 'day-record')['id'];
    $this->record('foreman', "subjects/stretch/{$day}", 'day-closed', ['signed' => true])->assertUnprocessable();
    recordExample($this, $day, 'day-record');
    $page = $this->as('joiner')->getJson("/api/v1/subjects/stretch/{$day}")->json();
    expect($page['state'])->toBe('accepted')->and($page['judgement']['verdict'])->toBe('good');
    $this->record('joiner', "subjects/stretch/{$day}", 'day-events', ['sort' => 'other', 'what' => 'too late'])->assertAccepted();
});

it('shows a joint covered, and not what is still bare', function () {
    $made = $this->makeLine();
    [$first, $second] = array_column($made['joints'], 'id');
    recordPvcJoint($this, $first);
    $at = Joint::query()->findOrFail($first)->chainage_m;
    $cover = recordOf($this, $made['id'], 'covering', ['name' => 'Joint 1', 'from_m' => $at - 1, 'to_m' => $at + 1]);
    recordExample($this, $cover['id'], 'covering', before: 1);
    expect(Joint::query()->findOrFail($first)->covered_at)->toBeNull();
    recordExample($this, $cover['id'], 'covering', before: 0);
    $value = ['haunched' => true, 'clean' => true, 'hand_first' => true, 'taped' => true];
    $this->record('foreman', "subjects/stretch/{$cover['id']}", 'first-cover', $value)->assertCreated();
    expect(Joint::query()->findOrFail($first)->covered_at)->toBe('2026-05-04T10:00:00+02:00')
        ->and(Joint::query()->findOrFail($second)->covered_at)->toBeNull();
    $rows = collect($this->as('joiner')->getJson("/api/v1/lines/{$made['id']}/register")->json('joints'))->keyBy('joint');
    expect($rows['1']['covered_utc'])->toBe('2026-05-04T08:00:00Z')->and($rows['2']['covered_utc'])->toBe('');
});

it('shows a joint bare again once it was opened up, and covered by what covers it last', function () {
    $made = $this->makeLine();
    [$first, $second] = array_column($made['joints'], 'id');
    recordPvcJoint($this, $first);
    recordPvcJoint($this, $second);
    $joint = fn (?string $id = null): Joint => Joint::query()->findOrFail($id ?? $first);
    $at = $joint()->chainage_m;
    $open = ['by_hand' => true, 'unhurt' => true, 'found' => 'dry all round'];
    $cover = ['haunched' => true, 'clean' => true, 'hand_first' => true, 'taped' => true];
    $both = recordOf($this, $made['id'], 'covering', ['name' => 'Both', 'from_m' => 0, 'to_m' => 18])['id'];
    $this->record('foreman', "subjects/stretch/{$both}", 'first-cover', $cover)->assertCreated();
    $opening = recordOf($this, $made['id'], 'opening', ['name' => 'Joint 1', 'from_m' => $at - 1, 'to_m' => $at + 1])['id'];
    expect($joint()->covered_at)->not->toBeNull()->and($joint()->bare_at)->toBeNull();
    // Before the services were found: recorded as it was, and bad.
    $later = ['recorded_at' => '2026-05-06T09:00:00+02:00'];
    $said = $this->record('foreman', "subjects/stretch/{$opening}", 'laid-bare', $open, $later)->assertCreated()->json('judgement');
    expect($said['verdict'])->toBe('bad')
        ->and($joint()->only(['covered_at', 'covering_id', 'bare_at', 'opening_id']))
        ->toBe(['covered_at' => null, 'covering_id' => null, 'bare_at' => '2026-05-06T09:00:00+02:00', 'opening_id' => $opening])
        ->and($joint($second)->covering_id)->toBe($both);
    $page = $this->as('joiner')->getJson("/api/v1/subjects/joint/{$first}")->assertOk();
    $page->assertJsonPath('bare_at', '2026-05-06T09:00:00+02:00')->assertJsonPath('covered_at', null);
    // The first covering is judged once more, and does not cover what was opened since.
    $this->record('foreman', "subjects/stretch/{$both}", 'last-look', ['looked' => true, 'sound' => true, 'bare' => true])->assertCreated();
    expect($joint()->opening_id)->toBe($opening);
    $again = recordOf($this, $made['id'], 'covering', ['name' => 'Joint 1', 'from_m' => $at - 1, 'to_m' => $at + 1])['id'];
    $this->record('foreman', "subjects/stretch/{$again}", 'first-cover', $cover, ['recorded_at' => '2026-05-07T11:00:00+02:00']);
    expect($joint()->only(['covering_id', 'covered_at', 'bare_at', 'opening_id']))
        ->toBe(['covering_id' => $again, 'covered_at' => '2026-05-07T11:00:00+02:00', 'bare_at' => null, 'opening_id' => null]);
});

it('does not call a stretch ready in which a joint is not made', function () {
    $made = $this->makeLine();
    recordPvcJoint($this, $made['joints'][0]['id']);
    $cover = recordOf($this, $made['id'], 'covering', ['name' => 'Both', 'from_m' => 0, 'to_m' => 18]);
    $photo = photographed($this, $cover['id'], 'last-look');
    $look = ['looked' => true, 'sound' => true, 'bare' => true, 'photos' => [$photo]];
    $said = $this->record('foreman', "subjects/stretch/{$cover['id']}", 'last-look', $look)->assertCreated()->json('judgement');
    expect($said['verdict'])->toBe('bad')->and(json_encode($said))->toContain('Joint 2 is not made, or not recorded.');
    // Once it is made, the list does not go on saying that it is not.
    recordPvcJoint($this, $made['joints'][1]['id']);
    expect(Stretch::query()->findOrFail($cover['id'])->verdict)->not->toBe('bad');
});

it('keeps how the joints stood when it was sealed', function () {
    $made = $this->makeLine();
    [$first] = array_column($made['joints'], 'id');
    recordPvcJoint($this, $first);
    $at = Joint::query()->findOrFail($first)->chainage_m;
    $cover = recordOf($this, $made['id'], 'covering', ['name' => 'Joint 1', 'from_m' => $at - 1, 'to_m' => $at + 1]);
    recordExample($this, $cover['id'], 'covering', before: 2);
    $waits = fn (string $who): array => array_column($this->as($who)->getJson('/api/v1/waiting')->json(), 'what', 'id');
    expect($waits('inspector')[$cover['id']] ?? null)->toBe('sign')->and($waits('joiner'))->not->toHaveKey($cover['id']);
    $this->record('inspector', "subjects/stretch/{$cover['id']}", 'cover-seen', ['signed' => true])->assertCreated();
    expect($waits('inspector'))->not->toHaveKey($cover['id']);
    $this->as('foreman')->postJson("/api/v1/joints/{$first}/cut-out", ['reason' => 'leak found'])->assertSuccessful();
    $page = $this->as('joiner')->getJson("/api/v1/subjects/stretch/{$cover['id']}")->json();
    expect($page['judgement']['verdict'])->toBe('good')->and($page['context']['joints'][0]['number'])->toBe('1')
        ->and($page['seal']['broken'])->toBe([]);
});

it('wants a place for what lies along the line, and a name', function () {
    $line = $this->makeLine()['id'];
    $hash = ProcedureText::query()->where('key', 'covering')->firstOrFail()->hash;
    $ask = fn (array $body) => $this->as('foreman')->postJson("/api/v1/lines/{$line}/stretches", $body + ['procedure_hash' => $hash]);
    $ask(['name' => 'Here'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'from_m');
    $ask(['from_m' => 3])->assertUnprocessable()->assertJsonPath('errors.0.field', 'name');
    $ask(['from_m' => 3, 'name' => ' '])->assertUnprocessable()->assertJsonPath('errors.0.field', 'name');
    $ask(['from_m' => 19, 'name' => 'Beyond'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'from_m');
    expect(Stretch::query()->count())->toBe(0)->and(Line::query()->count())->toBe(1);
});

it('finds by a leak what lies near: joints, pipes with their serials, who made them, tests and records, and back', function () {
    $made = $this->makeLine();
    recordExample($this, recordOf($this, $made['id'], 'delivery')['id'], 'delivery');
    [$first, $second] = array_column($made['joints'], 'id');
    recordPvcJoint($this, $first);
    $this->travelTo(new DateTimeImmutable('2026-05-04T08:00:00Z'));
    $day = recordOf($this, $made['id'], 'day-record')['id'];
    $near = fn (string $of, string $who = 'joiner') => $this->as($who)->getJson("/api/v1/lines/{$made['id']}/near?{$of}");
    $found = $near('at_m=7')->assertOk()->json();
    expect(array_column($found['joints'], 'id'))->toBe([$first, $second])
        ->and($found['joints'][0])->toMatchArray([
            'number' => '1', 'state' => 'made', 'made_by' => ['Joiner'], 'made_on' => '4 May 2026', 'covered_at' => null,
        ])
        ->and(abs($found['joints'][0]['distance_m']))->toBeLessThan(1.1)
        ->and($found['joints'][0]['pipes']['b'])->toMatchArray(['number' => '002', 'serial' => 'L-2231'])
        ->and($found['joints'][0]['pipes']['b']['came_with']['name'])->toBe('Delivery 1')
        ->and($found['sections'][0]['name'])->toBe('One')
        ->and(array_column($found['records'], 'id'))->toBe([$day])
        ->and($found['off_m'])->toBeNull();
    // The line goes east: a point three metres south of it lies to the right.
    expect($near('easting=7&northing=-3')->assertOk()->json())->toMatchArray(['at_m' => 7, 'off_m' => 3]);
    $near('at_m=19')->assertUnprocessable()->assertJsonPath('errors.0.field', 'at_m');
    $near('easting=7')->assertUnprocessable()->assertJsonPath('errors.0.field', 'northing');
    $near('')->assertUnprocessable();
    $near('at_m=far')->assertUnprocessable()->assertJsonPath('errors.0.field', 'at_m');
    $near('at_m=7', 'stranger')->assertNotFound();
});

it('offers the batches that came and were right at the joints that ask for one, the newest delivery first', function () {
    $line = $this->makeLine();
    $joint = "/api/v1/subjects/joint/{$line['joints'][0]['id']}";
    expect($this->as('joiner')->getJson($joint)->json('batches'))->toBe([]);
    $delivered = function (string $name, array $rows) use ($line): void {
        $hash = ProcedureText::query()->where('key', 'delivery')->firstOrFail()->hash;
        $id = $this->as('foreman')->postJson("/api/v1/lines/{$line['id']}/stretches", ['procedure_hash' => $hash, 'name' => $name])
            ->assertCreated()->json('id');
        $this->record('foreman', "subjects/stretch/{$id}", 'lorry-note', ['supplier' => 'Works', 'number' => $name])->assertCreated();
        foreach ($rows as [$what, $came, $right, $batch]) {
            $row = ['what' => $what, 'ordered' => 10, 'came' => $came, 'right' => $right] + ($batch === null ? [] : ['batch' => $batch]);
            $this->record('foreman', "subjects/stretch/{$id}", 'order-lines', $row)->assertCreated();
        }
    };
    $delivered('Monday', [['Gasket 160', 16, true, 'G-1'], ['Lubricant', 4, true, 'L-7'], ['Pipe', 14, true, null]]);
    $this->travel(5)->seconds();
    // What did not come, what is not as ordered and what was never looked at is not offered; the same batch stands once.
    $delivered('Tuesday', [['Gasket 160', 10, true, 'G-2'], ['Gasket 160', 0, true, 'G-3'], ['Gasket 150', 10, false, 'G-4'],
        ['Lubricant', 2, true, 'L-7']]);
    $offered = $this->as('joiner')->getJson($joint)->json('batches');
    expect(array_map(fn (array $b) => "{$b['what']} {$b['batch']} of {$b['of']}", $offered))
        ->toBe(['Gasket 160 G-2 of Tuesday', 'Lubricant L-7 of Tuesday', 'Gasket 160 G-1 of Monday']);
    // Another line has deliveries of its own, and a joint that asks for no batch is offered none.
    $other = $this->makeLine('ef-coupler-hand');
    expect($this->as('joiner')->getJson("/api/v1/subjects/joint/{$other['joints'][0]['id']}")->json('batches'))->toBe([]);
});
