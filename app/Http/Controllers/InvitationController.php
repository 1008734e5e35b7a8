<?php

namespace App\Http\Controllers;

use App\Actions\AdmitPerson;
use App\Http\Requests\NewPerson;
use App\Models\Invitation;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Say;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Who follows a link: what it leads to, and in. */
final class InvitationController extends Controller
{
    public function show(string $token): JsonResponse
    {
        $found = Invitation::open()->where('token_hash', Invitation::hashOf($token))->first()
            ?? throw new Conflict('token', Say::text('refused.linkIsNotOpen'));

        return new JsonResponse([
            'name' => $found->user->name ?? $found->name,
            'project' => $found->project?->name,
            'role' => $found->role,
            'makes_admin' => $found->makes_admin,
            'renews_password' => $found->user_id !== null,
            'invited_by' => $found->inviter?->name,
            'expires_at' => $found->expires_at->toIso8601ZuluString(),
        ]);
    }

    public function admit(NewPerson $request, string $token, AdmitPerson $admit): JsonResponse
    {
        return $this->signedIn($request, $admit->admit($token, $request->person()));
    }

    public function takeIn(Request $request, string $token, AdmitPerson $admit): JsonResponse
    {
        $user = $admit->takeIn($token, $this->user($request));

        return new JsonResponse(['id' => $user->id, 'name' => $user->name]);
    }

    public function renew(Request $request, string $token, AdmitPerson $admit): JsonResponse
    {
        $given = $request->validate(['password' => ['required', 'string', NewPerson::password()]]);
        $admit->renew($token, $given['password']);

        // With a second factor the password alone lets nobody in: from here one signs in as always.
        return new JsonResponse(['signed_in' => false]);
    }

    private function signedIn(Request $request, User $user): JsonResponse
    {
        if ($request->hasSession()) {
            $this->web()->login($user);
            $request->session()->regenerate();
        }

        return new JsonResponse(['id' => $user->id, 'name' => $user->name], 201);
    }
}
