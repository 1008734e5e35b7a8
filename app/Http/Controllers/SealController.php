<?php

namespace App\Http\Controllers;

use App\Actions\ConfirmSigner;
use App\Actions\HoldSeals;
use App\Actions\SealAnew;
use App\Actions\SealSubject;
use App\Models\Line;
use App\Models\Seal;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The chain of seals of a line: its head, a code that was kept elsewhere, and what is sealed anew. */
final class SealController extends Controller
{
    private const LEAST_CODE = 8;

    public function anew(Request $request, Line $line, SealAnew $seal, ConfirmSigner $confirm): JsonResponse
    {
        $role = $this->member($request, $line);
        Gate::authorize('plan', $line);
        $given = $request->validate(['reason' => 'required|string|max:500', 'password' => 'nullable|string|max:200']);
        $confirm($this->user($request), $given['password'] ?? null);
        $seal($line, $this->user($request), $role, $given['reason']);

        return new JsonResponse(['chain_broken' => HoldSeals::now($line)], 201);
    }

    /** Where a code that was printed or kept elsewhere stands in the chain, so that a shortened or new one shows. */
    public function find(Request $request, Line $line, string $code): JsonResponse
    {
        $this->member($request, $line);
        $hash = strtolower((string) preg_replace('/[\s-]+/', '', $code));
        if (preg_match('/^[0-9a-f]{'.self::LEAST_CODE.',64}$/', $hash) !== 1) {
            throw Refused::field('code', Say::text('refused.noSealOfThat'));
        }
        $seals = Seal::query()->where('line_id', $line->id)->orderBy('seq')->pluck('hash');
        $at = $seals->search(fn (string $one) => str_starts_with($one, $hash));

        return new JsonResponse(['seal' => $at === false ? null : (int) $at + 1, 'seals' => $seals->count()]);
    }

    /** The head as a file, for a project to keep where this server cannot reach it. */
    public function head(Request $request, Line $line): JsonResponse
    {
        $this->member($request, $line);
        $name = preg_replace('/[^A-Za-z0-9]+/', '-', $line->name);

        return new JsonResponse(
            ['line' => $line->only(['id', 'name']), 'head' => SealSubject::head($line), 'at' => now()->toIso8601ZuluString()],
            headers: ['Content-Disposition' => "attachment; filename=\"{$name}-head.json\""],
            options: JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT,
        );
    }
}
