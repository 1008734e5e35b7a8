<?php

namespace App\Http\Controllers;

use App\Http\Requests\ChosenUnits;
use App\Http\Requests\SignIn;
use App\Models\Project;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SessionController extends Controller
{
    public function store(SignIn $request): JsonResponse
    {
        if (! $request->hasSession()) {
            throw Refused::field('origin', Say::text('refused.signInFromPages'));
        }
        if (! $this->web()->attempt($request->credentials(), true)) {
            throw ValidationException::withMessages(['email' => Say::text('refused.namePassword')]);
        }
        $request->session()->regenerate();

        return $this->show($request);
    }

    public function show(Request $request): JsonResponse
    {
        $user = $this->user($request);

        return new JsonResponse([
            'id' => $user->id,
            'name' => $user->name,
            'email' => $user->email,
            'units' => $user->units->value,
            'projects' => $user->projects
                ->map(
                    fn (Project $p) => [
                        'id' => $p->id,
                        'name' => $p->name,
                        'place' => $p->place,
                        'time_zone' => $p->time_zone,
                        'practice' => $p->practice,
                        'role' => $p->getRelation('pivot')->role,
                    ],
                )
                ->all(),
        ]);
    }

    public function update(ChosenUnits $request): JsonResponse
    {
        $this->user($request)->update($request->validated());

        return $this->show($request);
    }

    public function destroy(Request $request): Response
    {
        // Without a session there is nothing to sign out of.
        if ($request->hasSession()) {
            $this->web()->logout();
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return response()->noContent();
    }

    /** Sign-in and sign-out are of the session, whichever guard the request came in by. */
    private function web(): StatefulGuard
    {
        $guard = Auth::guard('web');
        \assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
