<?php

namespace App\Http\Controllers;

use App\Actions\DecideContested;
use App\Models\Contested;
use App\Models\Subject;
use App\Support\Say;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Readings that contradict each other: which counts. */
final class ContestedController extends Controller
{
    public function decide(Request $request, Contested $contested, DecideContested $decide): JsonResponse
    {
        $class = Relation::getMorphedModel($contested->subject_type) ?? abort(404);
        $subject = $class::query()->findOrFail($contested->subject_id);
        \assert($subject instanceof Subject);
        $role = $this->member($request, $subject->line());
        $role->mayDecide() || throw new AuthorizationException(Say::text('refused.whoDecides'));
        $given = $request->validate(['counts' => 'required|boolean', 'reason' => 'required|string|max:300']);
        $decide($contested, $subject, $this->user($request), $role, (bool) $given['counts'], $given['reason']);

        return new JsonResponse(['counts' => (bool) $given['counts']]);
    }
}
