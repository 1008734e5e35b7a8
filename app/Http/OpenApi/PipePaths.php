<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of PipeController as the API describes them; the method of the same name answers. */
interface PipePaths
{
    #[OA\Get(
        path: '/lines/{line}/pipes',
        summary: 'The pipes of a line',
        tags: ['pipes'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Pipes',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LinePipe')),
            ),
        ],
    )]
    public function index(): void;

    #[OA\Post(
        path: '/lines/{line}/pipes',
        summary: 'Add a pipe',
        tags: ['pipes'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewPipe')),
        responses: [
            new OA\Response(response: 201, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe')),
            new OA\Response(
                response: 409,
                description: 'The number is taken',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
        ],
    )]
    public function store(): void;

    #[OA\Patch(
        path: '/pipes/{pipe}',
        summary: 'Say what a pipe is, as long as no joint was begun with it',
        tags: ['pipes'],
        parameters: [new OA\Parameter(name: 'pipe', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PipeChange')),
        responses: [
            new OA\Response(response: 200, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe')),
            new OA\Response(
                response: 409,
                description: 'A joint was begun with it',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
        ],
    )]
    public function update(): void;

    #[OA\Post(
        path: '/pipes/{pipe}/words',
        summary: 'Reject a pipe, or accept it again',
        tags: ['pipes'],
        parameters: [new OA\Parameter(name: 'pipe', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['rejected', 'reason'],
                properties: [
                    new OA\Property(property: 'rejected', type: 'boolean'),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 201, description: 'The pipe', content: new OA\JsonContent(ref: '#/components/schemas/LinePipe')),
        ],
    )]
    public function say(): void;
}
