<?php

namespace App\Http\Controllers;

use App\Actions\CutOutJoint;
use App\Actions\JudgeSubject;
use App\Models\Joint;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

final class JointController extends Controller
{
    #[OA\Post(path: '/joints/{joint}/cut-out', summary: 'Cut a joint out; what its procedure says takes its place', tags: ['lines'], parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(required: ['reason'], properties: [
        new OA\Property(property: 'reason', type: 'string'), new OA\Property(property: 'piece_m', type: 'number'),
    ])), responses: [new OA\Response(response: 201, description: 'The new joints', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/JointName')))])]
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
