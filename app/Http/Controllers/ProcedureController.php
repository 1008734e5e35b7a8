<?php

namespace App\Http\Controllers;

use App\Models\ProcedureText;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\ProcedureFile;
use Diastoma\Core\Refused;
use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PracticeLabels;
use Diastoma\Core\Units\Unit;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class ProcedureController extends Controller
{
    #[OA\Get(path: '/procedures', summary: 'Procedures and test methods that my projects may use, each in its newest version', tags: ['procedures'], responses: [new OA\Response(response: 200, description: 'Procedures', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ProcedureShort')))])]
    public function index(Request $request): JsonResponse
    {
        $projects = $this->user($request)->projects->pluck('id');

        return new JsonResponse(ProcedureText::usableIn($projects)->latest()->get()->unique(fn (ProcedureText $p) => "{$p->project_id}/{$p->key}")->sortBy([['family', 'asc'], ['title', 'asc']])->values()->map(fn (ProcedureText $p) => $p->only(['hash', 'key', 'version', 'title', 'family', 'joint_type']) + [
            'school' => $p->procedure()->school, 'place' => $p->procedure()->place, 'parameters' => $p->procedure()->parametersToArray(), 'own' => $p->project_id !== null,
        ])->all());
    }

    #[OA\Get(path: '/procedures/{procedure}', summary: 'The frozen text of a procedure', tags: ['procedures'], parameters: [new OA\Parameter(name: 'procedure', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'The procedure as its file', content: new OA\JsonContent(type: 'object', additionalProperties: true))])]
    public function show(Request $request, ProcedureText $procedure): JsonResponse
    {
        $text = ProcedureText::usableIn($this->user($request)->projects->pluck('id'))->find($procedure->hash) ?? abort(404);

        return new JsonResponse($text->procedure()->text + ['hash' => $text->hash]);
    }

    #[OA\Post(path: '/procedures', summary: 'Load a procedure file into a project', tags: ['procedures'], requestBody: new OA\RequestBody(content: new OA\JsonContent(required: ['project_id'], properties: [new OA\Property(property: 'project_id', type: 'integer'), new OA\Property(property: 'file', type: 'string', description: 'the file as it is written: faults come with their line'), new OA\Property(property: 'procedure', type: 'object', additionalProperties: true)])), responses: [new OA\Response(response: 201, description: 'Loaded', content: new OA\JsonContent(ref: '#/components/schemas/ProcedureShort')), new OA\Response(response: 422, description: 'Every fault with its path, and its line where the file was given', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function store(Request $request): JsonResponse
    {
        $body = $request->validate(['project_id' => 'required|integer', 'procedure' => 'required_without:file|array', 'file' => 'string']);
        $role = $this->user($request)->roleOn((int) $body['project_id']) ?? abort(404);
        if (! $role->mayPlan()) {
            throw new AuthorizationException('Only an engineer loads a procedure.');
        }
        $procedure = isset($body['file']) ? ProcedureFile::read($body['file']) : Procedure::from($request->json('procedure'));
        $text = ProcedureText::freeze($procedure, (int) $body['project_id'], $this->user($request)->id);

        return new JsonResponse($text->only(['hash', 'key', 'version', 'title', 'family', 'joint_type']), 201);
    }

    #[OA\Get(path: '/calculations', summary: 'All calculations with their schemas', tags: ['calculations'], responses: [new OA\Response(response: 200, description: 'Schemas by name', content: new OA\JsonContent(type: 'object', additionalProperties: true))])]
    public function calculations(Registry $registry): JsonResponse
    {
        return new JsonResponse(array_combine($registry->names(), array_map($registry->schema(...), $registry->names())));
    }

    #[OA\Post(path: '/calculations/{name}', summary: 'Run a calculation', tags: ['calculations'], parameters: [new OA\Parameter(name: 'name', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(type: 'object', additionalProperties: true)), responses: [new OA\Response(response: 200, description: 'Result', content: new OA\JsonContent(type: 'object', additionalProperties: true)), new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem'))])]
    public function calculate(Request $request, Registry $registry, string $name): JsonResponse
    {
        if (! $registry->has($name)) {
            abort(404);
        }
        $input = json_decode($request->getContent(), true, 64);
        if (! is_array($input)) {
            throw Refused::field('json', 'The input is no JSON object.');
        }

        return new JsonResponse($registry->run($name, $input), 200, [], JSON_PRESERVE_ZERO_FRACTION);
    }

    #[OA\Get(path: '/stand-ins/fusion-box', summary: 'Programmes of the stand-in for a fusion box, for a fitting of 1 V, 1 Ω, 1 s', tags: ['stand-ins'], responses: [new OA\Response(response: 200, description: 'Programmes by fault', content: new OA\JsonContent(type: 'object', additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/BoxProgramme')))])]
    public function fusionBox(): JsonResponse
    {
        $programmes = [];
        foreach (FusionBox::FAULTS as $fault => $about) {
            $programmes[$fault] = ['about' => $about] + FusionBox::programme($fault);
        }

        return new JsonResponse($programmes);
    }

    #[OA\Get(path: '/stand-ins/labels', summary: 'Made-up fittings with codes to practise on', tags: ['stand-ins'], responses: [new OA\Response(response: 200, description: 'Labels', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PracticeLabel')))])]
    public function labels(): JsonResponse
    {
        return new JsonResponse(PracticeLabels::all());
    }

    #[OA\Get(path: '/units', summary: 'Units by quantity and key suffix', tags: ['calculations'], responses: [new OA\Response(response: 200, description: 'Units', content: new OA\JsonContent(type: 'object', additionalProperties: true))])]
    public function units(): JsonResponse
    {
        return new JsonResponse(array_map(fn ($units) => array_map(fn (Unit $u) => ['symbol' => $u->symbol, 'factor' => $u->factor, 'offset' => $u->offset], $units), Unit::all()));
    }
}
