<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of ContestedController as the API describes them; the method of the same name answers. */
interface ContestedPaths
{
    #[OA\Post(
        path: '/contested/{contested}/decision',
        summary: 'Decide which of two readings counts, and why; a foreman or an engineer does',
        tags: ['subjects'],
        parameters: [new OA\Parameter(name: 'contested', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['counts', 'reason'],
                properties: [
                    new OA\Property(property: 'counts', description: 'true: the later one counts', type: 'boolean'),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Decided',
                content: new OA\JsonContent(
                    required: ['counts'],
                    properties: [new OA\Property(property: 'counts', type: 'boolean')],
                ),
            ),
        ],
    )]
    public function decide(): void;
}
