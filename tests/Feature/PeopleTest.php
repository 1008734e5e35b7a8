<?php

use App\Models\Invitation;
use App\Models\JournalEntry;
use App\Models\Project;
use App\Models\User;
use App\Support\OneTimeCode;
use App\Support\PersonName;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/* Who is let in, with what, and what is written down of it. */

beforeEach(function () {
    Cache::flush();
    $this->people['engineer']->update(['is_admin' => true]);
    $this->invite = fn (array $to): TestResponse => $this->as('engineer')->postJson('/api/v1/organisation/invitations', $to);
    $this->signIn = function (string $email, string $password, ?string $code = null): TestResponse {
        $this->app->make('auth')->forgetGuards();

        $body = ['email' => $email, 'password' => $password] + ($code === null ? [] : ['code' => $code]);
        $said = $this->postJson('/api/v1/session', $body, ['Origin' => 'http://localhost']);
        $this->flushSession();

        return $said;
    };
    $this->token = fn (array $to): string => substr((string) ($this->invite)($to)->assertCreated()->json('path'), strlen('/invited/'));
    $this->new = ['name' => 'Wenna Stokes', 'email' => 'wenna@test.example', 'password' => 'long-enough-word'];
});

it('lets in one person by a link, once, with the role of the invitation', function () {
    $token = ($this->token)(['project_id' => $this->project->id, 'role' => 'joiner', 'name' => 'Wenna']);
    $this->getJson("/api/v1/invitations/{$token}")->assertOk()->assertJson([
        'name' => 'Wenna', 'project' => 'Test valley', 'role' => 'joiner', 'invited_by' => 'Engineer', 'renews_password' => false,
    ]);
    // Only its hash is kept.
    expect(json_encode(DB::table('invitations')->get()).json_encode(DB::table('journal')->get()))->not->toContain($token);
    foreach (['name' => ' ', 'email' => 'no address', 'password' => 'short'] as $field => $wrong) {
        $this->postJson("/api/v1/invitations/{$token}", [$field => $wrong] + $this->new)
            ->assertUnprocessable()
            ->assertJsonPath('errors.0.field', $field);
    }
    $this->postJson("/api/v1/invitations/{$token}", $this->new)->assertCreated();
    $wenna = User::query()->where('email', 'wenna@test.example')->firstOrFail();
    expect($wenna->roleOn($this->project->id)?->value)->toBe('joiner')->and($wenna->is_admin)->toBeFalse();
    $this->postJson("/api/v1/invitations/{$token}", ['email' => 'second@test.example'] + $this->new)->assertConflict();
    $this->getJson("/api/v1/invitations/{$token}")->assertConflict();
    expect(JournalEntry::query()->pluck('what')->all())->toContain('invited', 'came-in');
});

it('makes one account where two follow a link at once, and none of an address that is taken', function () {
    $token = ($this->token)(['project_id' => $this->project->id, 'role' => 'joiner']);
    $this->postJson("/api/v1/invitations/{$token}", ['email' => 'ENGINEER@test.example'] + $this->new)
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'email');
    // Who is here already joins with the same link.
    $this->as('stranger')->postJson("/api/v1/invitations/{$token}/join")->assertOk();
    expect($this->people['stranger']->refresh()->roleOn($this->project->id)?->value)->toBe('joiner');
    $this->postJson("/api/v1/invitations/{$token}", $this->new)->assertConflict();
});

it('opens no link that is too old, withdrawn, or made up', function () {
    $old = ($this->token)(['project_id' => $this->project->id, 'role' => 'joiner']);
    $this->travel(Invitation::DAYS)->days();
    $this->travel(1)->seconds();
    $this->postJson("/api/v1/invitations/{$old}", $this->new)->assertConflict();
    $withdrawn = ($this->token)(['project_id' => $this->project->id, 'role' => 'joiner']);
    $id = Invitation::query()->orderByDesc('id')->firstOrFail()->id;
    $this->as('engineer')->deleteJson("/api/v1/organisation/invitations/{$id}")->assertNoContent();
    $this->postJson("/api/v1/invitations/{$withdrawn}", $this->new)->assertConflict();
    $this->postJson('/api/v1/invitations/'.str_repeat('x', 40), $this->new)->assertConflict();
    expect(User::query()->where('email', 'wenna@test.example')->exists())->toBeFalse();
});

it('renews a password by a link and signs all devices out', function () {
    $token = ($this->token)(['user_id' => $this->people['joiner']->id]);
    DB::table('sessions')->insert(['id' => 's1', 'user_id' => $this->people['joiner']->id, 'payload' => '', 'last_activity' => time()]);
    // It makes no account, and does not take in somebody else.
    $this->postJson("/api/v1/invitations/{$token}", $this->new)->assertConflict();
    $this->as('stranger')->postJson("/api/v1/invitations/{$token}/join")->assertConflict();
    $this->postJson("/api/v1/invitations/{$token}/password", ['password' => 'another-long-word'])->assertOk();
    expect(DB::table('sessions')->count())->toBe(0);
    ($this->signIn)('joiner@test.example', 'secret-word')->assertUnprocessable();
    ($this->signIn)('joiner@test.example', 'another-long-word')->assertOk();
});

it('leaves the organisation to its administrators', function (string $method, string $path) {
    $path = str_replace(['{p}', '{u}'], [(string) $this->project->id, (string) $this->people['joiner']->id], $path);
    foreach (['foreman', 'inspector', 'joiner', 'stranger'] as $who) {
        $this->as($who)->json($method, "/api/v1/organisation{$path}", ['role' => 'engineer', 'is_admin' => true, 'name' => 'Mine'])
            ->assertForbidden();
    }
    expect(JournalEntry::query()->where('what', 'refused')->count())->toBe(4);
})->with([
    ['GET', ''], ['GET', '/journal'], ['POST', '/projects'], ['PATCH', '/projects/{p}'], ['POST', '/invitations'],
    ['PATCH', '/people/{u}'], ['PUT', '/projects/{p}/people/{u}'], ['DELETE', '/projects/{p}/people/{u}'],
]);

it('makes a project, gives roles, moves people, and says all of it', function () {
    $made = $this->as('engineer')->postJson('/api/v1/organisation/projects', ['name' => 'Second valley', 'time_zone' => 'Europe/Vienna'])
        ->assertCreated()
        ->json();
    $this->as('engineer')->postJson('/api/v1/organisation/projects', ['name' => 'X2', 'time_zone' => 'Mars/Crater'])
        ->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'time_zone');
    $joiner = $this->people['joiner']->id;
    $give = fn (string $role) => $this->as('engineer')
        ->putJson("/api/v1/organisation/projects/{$made['id']}/people/{$joiner}", ['role' => $role]);
    $give('king')->assertUnprocessable();
    $give('joiner')->assertOk();
    $give('foreman')->assertOk()->assertJsonPath('roles.1.role', 'foreman');
    $this->as('engineer')->deleteJson("/api/v1/organisation/projects/{$this->project->id}/people/{$joiner}")->assertOk();
    $this->as('engineer')->deleteJson("/api/v1/organisation/projects/{$this->project->id}/people/{$joiner}")->assertConflict();
    $fresh = User::query()->findOrFail($joiner);
    expect($fresh->roleOn($this->project->id))->toBeNull()->and($fresh->roleOn($made['id'])?->value)->toBe('foreman');
    $said = $this->as('engineer')->getJson('/api/v1/organisation/journal')->assertOk()->json();
    expect(array_column($said, 'text'))->toContain(
        'took Joiner from Test valley',
        'gave Joiner the role foreman in Second valley (before: joiner)',
        'made project Second valley',
    );
    expect($this->as('engineer')->getJson('/api/v1/organisation')->assertOk()->json('projects.*.name'))->toContain('Second valley');
});

it('shuts a disabled person out at once, and keeps what was recorded theirs', function () {
    $joint = $this->makeLine()['joints'][0]['id'];
    $this->record('joiner', "subjects/joint/{$joint}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    $id = $this->people['joiner']->id;
    $change = fn (bool $disabled) => $this->as('engineer')->patchJson("/api/v1/organisation/people/{$id}", ['disabled' => $disabled]);
    $change(true)->assertOk()->assertJsonPath('disabled', true);
    $this->people['joiner']->refresh();
    $this->as('joiner')->getJson('/api/v1/lines')->assertUnauthorized();
    ($this->signIn)('joiner@test.example', 'secret-word')->assertUnprocessable()
        ->assertJsonPath('title', 'This account is disabled. Ask your administrator.');
    expect($this->as('engineer')->getJson("/api/v1/subjects/joint/{$joint}")->json('facts.0.by'))->toBe('Joiner');
    $change(false)->assertOk();
    ($this->signIn)('joiner@test.example', 'secret-word')->assertOk();
});

it('never loses its last administrator', function () {
    $id = $this->people['engineer']->id;
    $change = fn (array $what) => $this->as('engineer')->patchJson("/api/v1/organisation/people/{$id}", $what);
    $change(['disabled' => true])->assertConflict();
    $change(['is_admin' => false])->assertConflict();
    expect($this->people['engineer']->refresh()->disabled_at)->toBeNull();
    $this->as('engineer')->patchJson("/api/v1/organisation/people/{$this->people['foreman']->id}", ['is_admin' => true])->assertOk();
    // One who is disabled counts for nothing.
    $this->as('engineer')->patchJson("/api/v1/organisation/people/{$this->people['foreman']->id}", ['disabled' => true])->assertOk();
    $change(['is_admin' => false])->assertConflict();
});

it('changes a password with the old one, and ends sessions one by one or all', function () {
    $joiner = $this->people['joiner'];
    foreach (['a', 'b'] as $id) {
        DB::table('sessions')->insert([
            'id' => $id, 'user_id' => $joiner->id, 'ip_address' => '10.0.0.7', 'user_agent' => 'Phone', 'payload' => '',
            'last_activity' => 1_790_000_000,
        ]);
    }
    DB::table('sessions')->insert(['id' => 'c', 'user_id' => $this->people['foreman']->id, 'payload' => '', 'last_activity' => 1]);
    $devices = fn () => $this->as('joiner')->getJson('/api/v1/me/account')->assertOk()->json('devices');
    expect($devices())->toHaveCount(2)->and($devices()[0]['program'])->toBe('Phone')
        // What opens a session is not given out.
        ->and(array_column($devices(), 'id'))->not->toContain('a', 'b');
    $first = $devices()[0]['id'];
    $this->as('foreman')->deleteJson("/api/v1/me/devices/{$first}")->assertNotFound();
    $this->as('joiner')->deleteJson("/api/v1/me/devices/{$first}")->assertNoContent();
    expect($devices())->toHaveCount(1);
    $change = fn (string $old, string $new) => $this->as('joiner')
        ->putJson('/api/v1/me/password', ['password' => $old, 'new_password' => $new]);
    $change('wrong', 'another-long-word')->assertUnprocessable()->assertJsonPath('errors.0.field', 'password');
    $change('secret-word', 'short')->assertUnprocessable()->assertJsonPath('errors.0.field', 'new_password');
    $change('secret-word', 'another-long-word')->assertNoContent();
    expect($devices())->toHaveCount(0)->and(DB::table('sessions')->count())->toBe(1);
    ($this->signIn)('joiner@test.example', 'another-long-word')->assertOk();
});

it('asks for a code where there is a second factor, and takes none twice', function () {
    $this->travelTo('2026-05-04 10:00:00');
    $foreman = $this->people['foreman'];
    $foreman->update(['code_secret' => $secret = OneTimeCode::newSecret()]);
    expect(DB::table('users')->where('id', $foreman->id)->value('code_secret'))->not->toContain($secret);
    $step = intdiv(now()->getTimestamp(), 30);
    ($this->signIn)('foreman@test.example', 'secret-word')->assertUnprocessable()->assertJsonPath('errors.0.field', 'code');
    // Without the password nobody learns that there is one.
    ($this->signIn)('foreman@test.example', 'wrong')->assertUnprocessable()->assertJsonPath('errors.0.field', 'email');
    ($this->signIn)('foreman@test.example', 'secret-word', OneTimeCode::at($secret, $step - 3))->assertUnprocessable();
    ($this->signIn)('foreman@test.example', 'secret-word', '000000')->assertUnprocessable();
    $code = OneTimeCode::at($secret, $step);
    ($this->signIn)('foreman@test.example', 'secret-word', substr($code, 0, 3).' '.substr($code, 3))->assertOk();
    ($this->signIn)('foreman@test.example', 'secret-word', $code)->assertUnprocessable();
    // A lost phone: the administrator takes the factor away, and the journal says so.
    $change = fn (bool $factor) => $this->as('engineer')
        ->patchJson("/api/v1/organisation/people/{$foreman->id}", ['second_factor' => $factor]);
    $change(true)->assertUnprocessable();
    $change(false)->assertOk();
    ($this->signIn)('foreman@test.example', 'secret-word')->assertOk();
    expect(JournalEntry::query()->pluck('what')->all())->toContain('factor-removed', 'sign-in-refused', 'sign-in');
});

it('shows codes as RFC 6238 has them', function (int $time, string $code) {
    // RFC 6238, appendix B, SHA-1; the last six of its eight digits. The secret is "12345678901234567890" in base 32.
    expect(OneTimeCode::at('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', intdiv($time, 30)))->toBe($code);
})->with([
    [59, '287082'],
    [1111111109, '081804'],
    [1111111111, '050471'],
    [1234567890, '005924'],
    [2000000000, '279037'],
    [20000000000, '353130'],
]);

it('lets nobody work in a project that wants a second factor before there is one', function () {
    $line = $this->makeLine()['id'];
    $this->as('engineer')
        ->patchJson("/api/v1/organisation/projects/{$this->project->id}", ['wants_second_factor' => true])
        ->assertOk();
    $joiner = $this->people['joiner']->refresh();
    expect($this->as('joiner')->getJson('/api/v1/me')->assertOk()->json('must_add_factor'))->toBeTrue();
    $this->as('joiner')->getJson("/api/v1/lines/{$line}")->assertForbidden()
        ->assertJsonPath('title', 'A project of yours wants a second factor: add it under your name, then go on.');
    $begun = $this->as('joiner')->postJson('/api/v1/me/second-factor', ['password' => 'secret-word'])->assertOk()->json();
    expect($begun['address'])->toContain($begun['secret'], 'joiner%40test.example');
    $this->putJson('/api/v1/me/second-factor', ['code' => '12'])->assertUnprocessable();
    expect($joiner->refresh()->code_secret)->toBeNull();
    $code = OneTimeCode::at($begun['secret'], intdiv(now()->getTimestamp(), 30));
    $this->putJson('/api/v1/me/second-factor', ['code' => $code])->assertNoContent();
    $this->people['joiner'] = User::query()->findOrFail($joiner->id);
    $this->as('joiner')->getJson("/api/v1/lines/{$line}")->assertOk();
});

it('has one form of a name: nothing in it that cannot be seen', function () {
    expect(PersonName::normal("  Bram\u{200B} \u{00A0}Ivesley\u{202E} "))->toBe('Bram Ivesley')
        ->and(PersonName::normal('Ｂｒａｍ'))->toBe('Bram')
        ->and(PersonName::normal("\u{200B}\u{200D}"))->toBe('')
        ->and(PersonName::normal("O\u{2019}Neill-Žák"))->toBe("O\u{2019}Neill-Žák");
});

it('makes the first administrator of an empty organisation by a link, and only the newest link works', function () {
    $links = [];
    for ($i = 0; $i < 2; $i++) {
        Illuminate\Support\Facades\Artisan::call('people:first');
        $links[] = substr(trim(Illuminate\Support\Facades\Artisan::output()), strlen('/invited/'));
    }
    $this->postJson("/api/v1/invitations/{$links[0]}", $this->new)->assertConflict();
    $this->postJson("/api/v1/invitations/{$links[1]}", $this->new)->assertCreated();
    expect(User::query()->where('email', 'wenna@test.example')->firstOrFail()->is_admin)->toBeTrue()
        ->and(Project::query()->count())->toBe(1);
});

it('writes down what was changed of a plan and what was refused', function () {
    $line = $this->makeLine();
    $this->as('joiner')->postJson("/api/v1/lines/{$line['id']}/sections", [
        'name' => 'Two', 'from_m' => 0, 'to_m' => 6, 'method_hash' => $this->lineBody()['sections'][0]['method_hash'],
    ])->assertForbidden();
    $said = array_column($this->as('engineer')->getJson('/api/v1/organisation/journal')->json(), 'text');
    expect($said[0])->toContain('was refused', "POST api/v1/lines/{$line['id']}/sections")
        ->and($said[1])->toBe('made a line (name: Test line, SDR: 17)');
});

it('takes back a planned joint, and nothing on which anything stands', function () {
    $line = $this->makeLine();
    [$first, $second] = array_column($line['joints'], 'id');
    $this->as('foreman')->deleteJson("/api/v1/joints/{$first}")->assertForbidden();
    $this->as('stranger')->deleteJson("/api/v1/joints/{$first}")->assertNotFound();
    $this->record('joiner', "subjects/joint/{$first}", 'pipes', ['pipe_a' => '1', 'pipe_b' => '2'])->assertCreated();
    $this->as('engineer')->deleteJson("/api/v1/joints/{$first}")->assertConflict();
    $this->as('engineer')->deleteJson("/api/v1/joints/{$second}")->assertNoContent();
    expect($this->as('engineer')->getJson("/api/v1/lines/{$line['id']}")->json('joints.*.id'))->toBe([$first]);
    $this->record('joiner', "subjects/joint/{$second}", 'pipes', ['pipe_a' => '2', 'pipe_b' => '3'])->assertNotFound();
    // What replaces a joint stays.
    $new = $this->as('foreman')->postJson("/api/v1/joints/{$first}/cut-out", ['reason' => 'cracked'])->assertCreated()->json('0.id');
    $this->as('engineer')->deleteJson("/api/v1/joints/{$new}")->assertConflict();
});
