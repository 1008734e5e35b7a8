<?php

namespace App\Http\Controllers;

use App\Actions\ConfirmSigner;
use App\Http\Requests\NewPerson;
use App\Support\Journal;
use App\Support\OneTimeCode;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** What belongs to oneself: password, devices on which one is signed in, second factor. */
final class AccountController extends Controller
{
    public function __construct(private readonly ConfirmSigner $confirm)
    {
    }

    public function show(Request $request): JsonResponse
    {
        $user = $this->user($request);
        $here = $request->hasSession() ? $request->session()->getId() : '';
        $rows = DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->get();

        return new JsonResponse([
            'second_factor' => $user->code_secret !== null,
            'must_add_factor' => $user->mustAddFactor(),
            'is_admin' => $user->is_admin,
            'devices' => $rows->map(fn (object $row) => [
                'id' => self::idOf($row->id),
                'here' => $row->id === $here,
                'address' => $row->ip_address,
                'program' => $row->user_agent,
                'seen_at' => gmdate('Y-m-d\TH:i:s\Z', $row->last_activity),
            ])->all(),
        ]);
    }

    public function changePassword(Request $request): Response
    {
        $given = $request->validate([
            'password' => 'required|string|max:200',
            'new_password' => ['required', 'string', NewPerson::password(), 'different:password'],
        ]);
        $user = $this->user($request);
        ($this->confirm)($user, $given['password']);
        $user->update(['password' => $given['new_password']]);
        $this->endOthers($request);
        if ($request->hasSession()) {
            // The framework ends sessions that were begun with another password: this one goes on.
            $this->web()->login($user);
            $request->session()->regenerate();
        }
        Journal::note('password-changed');

        return response()->noContent();
    }

    /** Everywhere but here. */
    public function endOthers(Request $request): Response
    {
        $here = $request->hasSession() ? $request->session()->getId() : '';
        DB::table('sessions')->where('user_id', $this->user($request)->id)->where('id', '!=', $here)->delete();
        Journal::note('sessions-ended');

        return response()->noContent();
    }

    public function end(Request $request, string $device): Response
    {
        $ids = DB::table('sessions')->where('user_id', $this->user($request)->id)->pluck('id');
        $found = $ids->first(fn (string $id) => self::idOf($id) === $device) ?? abort(404);
        DB::table('sessions')->where('id', $found)->delete();
        Journal::note('session-ended');

        return response()->noContent();
    }

    /** A secret to be taken into an authenticator; it counts once a code of it was entered. */
    public function beginFactor(Request $request): JsonResponse
    {
        $user = $this->user($request);
        ($this->confirm)($user, $request->validate(['password' => 'required|string|max:200'])['password']);
        $secret = OneTimeCode::newSecret();
        $user->update(['code_pending' => $secret]);

        return new JsonResponse(['secret' => $secret, 'address' => OneTimeCode::address($secret, $user->email)]);
    }

    public function addFactor(Request $request): Response
    {
        $code = $request->validate(['code' => 'required|string|max:20'])['code'];
        $user = $this->user($request);
        $step = $user->code_pending === null ? null : OneTimeCode::step($user->code_pending, $code, now()->getTimestamp());
        if ($step === null) {
            throw Refused::field('code', Say::text('refused.codeDoesNotFit'));
        }
        $user->update(['code_secret' => $user->code_pending, 'code_pending' => null, 'code_step' => $step]);
        Journal::note('factor-added');

        return response()->noContent();
    }

    public function removeFactor(Request $request): Response
    {
        $user = $this->user($request);
        ($this->confirm)($user, $request->validate(['password' => 'required|string|max:200'])['password']);
        $user->update(['code_secret' => null, 'code_step' => null]);
        Journal::note('factor-removed', ['name' => $user->name]);

        return response()->noContent();
    }

    /** What a page may know of a session: not the word that opens it. */
    private static function idOf(string $session): string
    {
        return substr(hash('sha256', "device {$session}"), 0, 16);
    }
}
