<?php

namespace App\Actions;

use App\Models\Invitation;
use App\Models\User;
use App\Support\Address;
use App\Support\Conflict;
use App\Support\Journal;
use App\Support\Say;
use Diastoma\Core\Units\UnitSystem;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Invites somebody by a link that works once, and lets in who follows it. No mail is sent: the link is shown or printed. */
final class AdmitPerson
{
    private const TOKEN_LENGTH = 40;

    /**
     * @param  array{name?: string, project_id?: int|null, role?: string|null, makes_admin?: bool, user_id?: int|null}  $to
     * @return array{Invitation, string} and the token, which is kept nowhere
     */
    public function invite(?User $by, array $to): array
    {
        $token = Str::random(self::TOKEN_LENGTH);
        $invitation = Invitation::query()->create($to + [
            'token_hash' => Invitation::hashOf($token),
            'invited_by' => $by?->id,
            'expires_at' => now()->addDays(Invitation::DAYS),
        ]);

        return [$invitation, $token];
    }

    /**
     * Somebody new, with a name, an address and a password of their own.
     *
     * @param  array{name: string, email: string, password: string}  $person
     */
    public function admit(#[\SensitiveParameter] string $token, array $person): User
    {
        return DB::transaction(function () use ($token, $person): User {
            $invitation = $this->take($token);
            if ($invitation->user_id !== null) {
                throw new Conflict('token', Say::text('refused.linkIsForSomebody'));
            }
            // Beside the rule of the form: two at once.
            if (User::query()->where('email', Address::normal($person['email']))->lockForUpdate()->exists()) {
                throw new Conflict('email', Say::text('refused.addressTaken'));
            }
            $user = User::query()->create([
                'name' => $person['name'],
                'email' => $person['email'],
                'password' => $person['password'],
                'units' => UnitSystem::Metric,
                'is_admin' => $invitation->makes_admin,
            ]);
            $this->join($invitation, $user);

            return $user->refresh();
        }, 3);
    }

    /** Somebody who is here already: into the project, or to a new password. */
    public function takeIn(#[\SensitiveParameter] string $token, User $user): User
    {
        return DB::transaction(function () use ($token, $user): User {
            $invitation = $this->take($token);
            if ($invitation->user_id !== null) {
                throw new Conflict('token', Say::text('refused.linkIsForSomebody'));
            }
            $this->join($invitation, $user);

            return $user;
        }, 3);
    }

    public function renew(#[\SensitiveParameter] string $token, #[\SensitiveParameter] string $password): User
    {
        return DB::transaction(function () use ($token, $password): User {
            $invitation = $this->take($token);
            $user = $invitation->user ?? throw new Conflict('token', Say::text('refused.linkIsForNobody'));
            $user->update(['password' => $password]);
            DB::table('sessions')->where('user_id', $user->id)->delete();
            Journal::note('password-renewed', [], $user);

            return $user;
        }, 3);
    }

    /** One that can be followed; used up by this. */
    private function take(string $token): Invitation
    {
        $found = Invitation::query()->where('token_hash', Invitation::hashOf($token))->lockForUpdate()->first();
        if ($found === null || $found->used_at !== null || $found->expires_at->isPast()) {
            throw new Conflict('token', Say::text('refused.linkIsNotOpen'));
        }
        $found->update(['used_at' => now()]);

        return $found;
    }

    private function join(Invitation $invitation, User $user): void
    {
        if ($invitation->project !== null) {
            // Who belongs to it already gets the role of the invitation.
            $user->projects()->syncWithoutDetaching([$invitation->project_id => ['role' => $invitation->role]]);
        }
        if ($invitation->makes_admin && ! $user->is_admin) {
            $user->update(['is_admin' => true]);
        }
        $user->unsetRelation('projects');
        $invitation->project === null
            ? Journal::note('came-in-as-administrator', [], $user)
            : Journal::note('came-in', ['project' => $invitation->project->name, 'role' => $invitation->role], $user);
    }
}
