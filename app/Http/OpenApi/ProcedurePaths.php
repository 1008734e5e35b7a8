<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of ProcedureController as the API describes them; the method of the same name answers. */
interface ProcedurePaths
{
    #[OA\Get(
        path: '/procedures',
        summary: 'Procedures and test methods that my projects may use, each in its newest version',
        tags: ['procedures'],
        parameters: [
            new OA\Parameter(
                name: 'material',
                description: 'of the pipe that it is for',
                in: 'query',
                schema: new OA\Schema(type: 'string'),
            ),
            new OA\Parameter(name: 'service', in: 'query', schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'series',
                in: 'query',
                schema: new OA\Schema(type: 'string', enum: ['metric', 'ips', 'dips', 'dn', 'dn-od', 'in-od']),
            ),
            new OA\Parameter(
                name: 'nominal',
                description: 'mm (metric), DN, or inch, as the series',
                in: 'query',
                schema: new OA\Schema(type: 'number'),
            ),
            new OA\Parameter(name: 'dn_mm', in: 'query', schema: new OA\Schema(type: 'number')),
            new OA\Parameter(name: 'sdr', in: 'query', schema: new OA\Schema(type: 'number')),
            new OA\Parameter(
                name: 'limits',
                description: '1: with the limits and steps of each',
                in: 'query',
                schema: new OA\Schema(type: 'integer', enum: [0, 1]),
            ),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Procedures',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ProcedureShort')),
            ),
        ],
    )]
    public function index(): void;

    #[OA\Get(
        path: '/procedures/{procedure}',
        summary: 'The frozen text of a procedure',
        tags: ['procedures'],
        parameters: [new OA\Parameter(name: 'procedure', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The procedure as its file',
                content: new OA\JsonContent(type: 'object', additionalProperties: true),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Post(
        path: '/procedures',
        summary: 'Load a procedure file into a project',
        tags: ['procedures'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['project_id'],
                properties: [
                    new OA\Property(property: 'project_id', type: 'integer'),
                    new OA\Property(
                        property: 'file',
                        type: 'string',
                        description: 'the file as it is written: faults come with their line',
                    ),
                    new OA\Property(property: 'procedure', type: 'object', additionalProperties: true),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'Loaded',
                content: new OA\JsonContent(ref: '#/components/schemas/ProcedureShort'),
            ),
            new OA\Response(
                response: 422,
                description: 'Every fault with its path, and its line where the file was given',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
        ],
    )]
    public function store(): void;

    #[OA\Post(
        path: '/procedures/try',
        summary: 'Compile a procedure and judge a recorded joint by it; nothing is kept. Engineers only',
        tags: ['procedures'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['project_id'],
                properties: [
                    new OA\Property(property: 'project_id', type: 'integer'),
                    new OA\Property(property: 'procedure', type: 'object'),
                    new OA\Property(property: 'file', description: 'the text of a file, in place of it', type: 'string'),
                    new OA\Property(property: 'joint', type: 'string', format: 'uuid', nullable: true),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'It compiles',
                content: new OA\JsonContent(ref: '#/components/schemas/TriedProcedure'),
            ),
            new OA\Response(response: 422, description: 'All that is wrong with it'),
        ],
    )]
    public function try(): void;

    #[OA\Get(
        path: '/calculations',
        summary: 'All calculations with their schemas',
        tags: ['calculations'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Schemas by name',
                content: new OA\JsonContent(type: 'object', additionalProperties: true),
            ),
        ],
    )]
    public function calculations(): void;

    #[OA\Post(
        path: '/calculations/{name}',
        summary: 'Run a calculation',
        tags: ['calculations'],
        parameters: [new OA\Parameter(name: 'name', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(type: 'object', additionalProperties: true)),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Result',
                content: new OA\JsonContent(type: 'object', additionalProperties: true),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function calculate(): void;

    #[OA\Post(
        path: '/calculations/{name}/along',
        summary: 'How the figures of a calculation go with one of its inputs',
        tags: ['calculations'],
        parameters: [new OA\Parameter(name: 'name', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['input', 'key', 'from', 'to'],
                properties: [
                    new OA\Property(property: 'input', type: 'object', additionalProperties: true),
                    new OA\Property(property: 'key', description: 'the input that goes along, with its unit', type: 'string'),
                    new OA\Property(property: 'from', type: 'number'),
                    new OA\Property(property: 'to', type: 'number'),
                ],
                type: 'object',
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Points; without figures where it is refused',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PointAlong')),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function along(): void;

    #[OA\Get(
        path: '/stand-ins/fusion-box',
        summary: 'Programmes of the stand-in for a fusion box, for a fitting of 1 V, 1 Ω, 1 s',
        tags: ['stand-ins'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Programmes by fault',
                content: new OA\JsonContent(
                    type: 'object',
                    additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/BoxProgramme'),
                ),
            ),
        ],
    )]
    public function fusionBox(): void;

    #[OA\Get(
        path: '/stand-ins/labels',
        summary: 'Made-up fittings with codes to practise on',
        tags: ['stand-ins'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Labels',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PracticeLabel')),
            ),
        ],
    )]
    public function labels(): void;

    #[OA\Get(
        path: '/materials',
        summary: 'Materials of pipe: the series in which each is ordered, and how its wall is said: as a ratio, as a class, as measured',
        tags: ['calculations'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Materials',
                content: new OA\JsonContent(type: 'object', additionalProperties: true),
            ),
        ],
    )]
    public function materials(): void;

    #[OA\Get(
        path: '/units',
        summary: 'Units by quantity and key suffix',
        tags: ['calculations'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Units',
                content: new OA\JsonContent(type: 'object', additionalProperties: true),
            ),
        ],
    )]
    public function units(): void;
}
