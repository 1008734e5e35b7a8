<?php

namespace App\Http\Controllers;

use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Actions\TakeBackJoint;
use App\Http\Requests\CutOut;
use App\Models\Joint;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final class JointController extends Controller
{
    public function cutOut(CutOut $request, Joint $joint, CutOutJoint $cutOut, JudgeSubject $judge): JsonResponse
    {
        $new = $cutOut($joint, $request->who(), $request->reason(), $request->pieceM(), $request->isApart());
        array_map(fn (Joint $j) => $judge($j->refresh()), $new);

        return new JsonResponse(array_map(fn (Joint $j) => $j->only(['id', 'number']), $new), 201);
    }

    public function takeBack(Request $request, Joint $joint, TakeBackJoint $takeBack): Response
    {
        $this->member($request, $joint->line());
        // A restraint comes with the work and goes with it; what is on the string is the plan's.
        if ($joint->place === 'in-line') {
            Gate::authorize('plan', $joint->line());
        } elseif ($joint->host_id === null) {
            Gate::authorize('addJoint', $joint->line());
        }
        $takeBack($joint);

        return response()->noContent();
    }
}
