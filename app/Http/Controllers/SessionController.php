<?php

namespace App\Http\Controllers;

use App\Models\Project;
use App\Support\Address;
use Diastoma\Core\Refused;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

final class SessionController extends Controller
{
    #[OA\Post(path: '/session', summary: 'Sign in', tags: ['session'], requestBody: new OA\RequestBody(content: new OA\JsonContent(required: ['email', 'password'], properties: [new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'Who is signed in', content: new OA\JsonContent(ref: '#/components/schemas/Me')), new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function store(Request $request): JsonResponse
    {
        $credentials = $request->validate(['email' => 'required|string|max:200', 'password' => 'required|string|max:200']);
        if (! $request->hasSession()) {
            throw Refused::field('origin', 'Signing in is for the pages of this application: send its own address as Origin or Referer.');
        }
        if (! $this->web()->attempt(['email' => Address::normal($credentials['email'])] + $credentials, true)) {
            throw ValidationException::withMessages(['email' => 'Name and password do not fit together.']);
        }
        $request->session()->regenerate();

        return $this->show($request);
    }

    #[OA\Get(path: '/me', summary: 'Who is signed in, with roles', tags: ['session'], responses: [new OA\Response(response: 200, description: 'Me', content: new OA\JsonContent(ref: '#/components/schemas/Me'))])]
    public function show(Request $request): JsonResponse
    {
        $user = $this->user($request);

        return new JsonResponse([
            'id' => $user->id, 'name' => $user->name, 'email' => $user->email, 'units' => $user->units->value,
            'projects' => $user->projects->map(fn (Project $p) => ['id' => $p->id, 'name' => $p->name, 'place' => $p->place, 'time_zone' => $p->time_zone, 'role' => $p->getRelation('pivot')->role])->all(),
        ]);
    }

    #[OA\Patch(path: '/me', summary: 'Choose units for reading and typing', tags: ['session'], requestBody: new OA\RequestBody(content: new OA\JsonContent(properties: [new OA\Property(property: 'units', type: 'string', enum: ['metric', 'us'])])), responses: [new OA\Response(response: 200, description: 'Me', content: new OA\JsonContent(ref: '#/components/schemas/Me'))])]
    public function update(Request $request): JsonResponse
    {
        $this->user($request)->update($request->validate(['units' => 'required|in:metric,us']));

        return $this->show($request);
    }

    #[OA\Delete(path: '/session', summary: 'Sign out', tags: ['session'], responses: [new OA\Response(response: 204, description: 'Signed out')])]
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
        assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
