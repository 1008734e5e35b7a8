<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of PackController as the API describes them; the method of the same name answers. */
interface PackPaths
{
    #[OA\Get(
        path: '/lines/{line}/packs',
        summary: 'Files of a line that were asked for, in the units of who asks, the newest first',
        tags: ['packs'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Files',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Pack')),
            ),
        ],
    )]
    public function index(): void;

    #[OA\Post(
        path: '/lines/{line}/packs',
        summary: 'Ask for the record book of a line or for its archive; who asks for what is asked for already waits with the other',
        tags: ['packs'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['kind'],
                properties: [new OA\Property(property: 'kind', type: 'string', enum: ['record-book', 'archive'])],
            ),
        ),
        responses: [
            new OA\Response(response: 201, description: 'Asked for', content: new OA\JsonContent(ref: '#/components/schemas/Pack')),
        ],
    )]
    public function ask(): void;

    #[OA\Post(
        path: '/tests/{test}/packs',
        summary: 'Ask for the pack of a test over a long section, made in the background',
        tags: ['packs'],
        parameters: [new OA\Parameter(name: 'test', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 201, description: 'Asked for', content: new OA\JsonContent(ref: '#/components/schemas/Pack')),
        ],
    )]
    public function askForTest(): void;

    #[OA\Get(
        path: '/packs/{pack}/file',
        summary: 'The file, once it is ready: PDF or ZIP',
        tags: ['packs'],
        parameters: [new OA\Parameter(name: 'pack', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The file'),
            new OA\Response(response: 404, description: 'There is none, or it is not ready'),
        ],
    )]
    public function file(): void;
}
