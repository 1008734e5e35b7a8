<?php

namespace App\Http\Controllers;

use App\Actions\LetIn;
use App\Http\Requests\ChosenUnits;
use App\Http\Requests\SignIn;
use App\Models\Project;
use App\Support\Journal;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SessionController extends Controller
{
    public function store(SignIn $request, LetIn $let): JsonResponse
    {
        if (! $request->hasSession()) {
            throw Refused::field('origin', Say::text('refused.signInFromPages'));
        }
        $user = ($let)($request->credentials(), $request->code());
        $this->web()->login($user);
        $request->session()->regenerate();
        Journal::note('sign-in', [], $user);

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
            'is_admin' => $user->is_admin,
            'must_add_factor' => $user->mustAddFactor(),
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
            Journal::note('sign-out');
            $this->web()->logout();
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return response()->noContent();
    }
}
