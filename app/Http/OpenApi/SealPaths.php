<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** What the server says of the chain of seals of a line. */
interface SealPaths
{
    #[OA\Post(
        path: '/lines/{line}/seal-anew',
        summary: 'Seal what is broken in the chain as it stands, with a reason; an engineer does, with the password',
        tags: ['seals'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['reason', 'password'],
                properties: [
                    new OA\Property(property: 'reason', description: 'a sentence', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'What is still broken',
                content: new OA\JsonContent(
                    required: ['chain_broken'],
                    properties: [new OA\Property(property: 'chain_broken', type: 'array', items: new OA\Items(type: 'string'))],
                ),
            ),
        ],
    )]
    public function anew(): void;

    #[OA\Get(
        path: '/lines/{line}/seals/{code}',
        summary: 'Where a seal stands in the chain, by at least 8 letters and digits of its code',
        tags: ['seals'],
        parameters: [
            new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(name: 'code', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Its place',
                content: new OA\JsonContent(
                    required: ['seal', 'seals'],
                    properties: [
                        new OA\Property(property: 'seal', description: 'null: no seal has this code', type: 'integer', nullable: true),
                        new OA\Property(property: 'seals', description: 'how many there are', type: 'integer'),
                    ],
                ),
            ),
        ],
    )]
    public function find(): void;

    #[OA\Get(
        path: '/lines/{line}/head.json',
        summary: 'The last seal of the line as a file, to be kept elsewhere',
        tags: ['seals'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The head of the chain')],
    )]
    public function head(): void;
}
