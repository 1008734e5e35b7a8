<?php

namespace App\Http\Controllers;

use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Models\Joint;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class JointController extends Controller
{
    public function cutOut(Request $request, Joint $joint, CutOutJoint $cutOut, JudgeSubject $judge): JsonResponse
    {
        $this->member($request, $joint->line());
        Gate::authorize('cutOut', $joint->line());
        $body = $request->validate(['reason' => 'required|string|min:3|max:500', 'piece_m' => 'nullable|numeric|between:0.2,20']);
        $new = $cutOut($joint, $this->user($request), $body['reason'], isset($body['piece_m']) ? (float) $body['piece_m'] : null);
        array_map(fn (Joint $j) => $judge($j->refresh()), $new);

        return new JsonResponse(array_map(fn (Joint $j) => $j->only(['id', 'number']), $new), 201);
    }
}
