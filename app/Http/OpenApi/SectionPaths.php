<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of SectionController as the API describes them; the method of the same name answers. */
interface SectionPaths
{
    #[OA\Get(
        path: '/sections/{section}',
        summary: 'The plan of a section: heads, water, thrust, what is missing',
        tags: ['sections'],
        parameters: [new OA\Parameter(name: 'section', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The plan',
                content: new OA\JsonContent(ref: '#/components/schemas/SectionPlan'),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Post(
        path: '/sections/{section}/tests',
        summary: 'Begin a test',
        tags: ['tests'],
        parameters: [new OA\Parameter(name: 'section', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 201,
                description: 'The test',
                content: new OA\JsonContent(properties: [new OA\Property(property: 'id', type: 'string')]),
            ),
        ],
    )]
    public function begin(): void;

    #[OA\Get(
        path: '/tests/{test}/stand-in',
        summary: 'The whole course of a test as the stand-in for pump and logger plays it',
        tags: ['stand-ins'],
        parameters: [
            new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(name: 'fault', in: 'query', schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Rows and marks',
                content: new OA\JsonContent(ref: '#/components/schemas/LogProgramme'),
            ),
        ],
    )]
    public function standIn(): void;

    #[OA\Get(
        path: '/tests/{test}/pack.pdf',
        summary: 'The test pack',
        tags: ['tests'],
        parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'PDF')],
    )]
    public function pack(): void;

    #[OA\Delete(
        path: '/sections/{section}',
        summary: 'Remove a section before its first test; engineers only',
        tags: ['sections'],
        parameters: [new OA\Parameter(name: 'section', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 204, description: 'Removed'),
            new OA\Response(response: 422, description: 'A test of it was begun'),
        ],
    )]
    public function remove(): void;
}
