<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of DeskController as the API describes them; the method of the same name answers. */
interface DeskPaths
{
    #[OA\Get(
        path: '/waiting',
        summary: 'What waits for me, across the lines of my projects',
        tags: ['desk'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'By line, along the chainage',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/WaitingRow')),
            ),
        ],
    )]
    public function waiting(): void;

    #[OA\Get(
        path: '/find',
        summary: 'Lines, joints, pipes, things of the stores and procedures by name, number or serial',
        tags: ['desk'],
        parameters: [new OA\Parameter(name: 'q', in: 'query', schema: new OA\Schema(type: 'string', maxLength: 80))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'What was found, the nearest first',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Found')),
            ),
        ],
    )]
    public function find(): void;

    #[OA\Get(
        path: '/people',
        summary: 'Who works in my projects, and in which role',
        tags: ['desk'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'My projects with their people',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ProjectPeople')),
            ),
        ],
    )]
    public function people(): void;

    #[OA\Patch(
        path: '/projects/{project}',
        summary: 'Say for whom a project is built and by whom; engineers only',
        tags: ['desk'],
        parameters: [new OA\Parameter(name: 'project', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                properties: [
                    new OA\Property(property: 'client', type: 'string', maxLength: 120),
                    new OA\Property(property: 'contractor', type: 'string', maxLength: 120),
                ],
            ),
        ),
        responses: [new OA\Response(response: 200, description: 'As it stands now', content: new OA\JsonContent(type: 'object'))],
    )]
    public function describe(): void;
}
