<?php

namespace App\Http\Controllers;

use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Http\Requests\CutOut;
use App\Models\Joint;
use Illuminate\Http\JsonResponse;

final class JointController extends Controller
{
    public function cutOut(CutOut $request, Joint $joint, CutOutJoint $cutOut, JudgeSubject $judge): JsonResponse
    {
        $new = $cutOut($joint, $request->who(), $request->reason(), $request->pieceM(), $request->isApart());
        array_map(fn (Joint $j) => $judge($j->refresh()), $new);

        return new JsonResponse(array_map(fn (Joint $j) => $j->only(['id', 'number']), $new), 201);
    }
}
