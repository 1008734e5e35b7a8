<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of JointController as the API describes them; the method of the same name answers. */
interface JointPaths
{
    #[OA\Post(
        path: '/joints/{joint}/cut-out',
        summary: 'Cut a joint out, or pull it apart; what its procedure says takes its place',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['reason'],
                properties: [
                    new OA\Property(property: 'reason', type: 'string'),
                    new OA\Property(property: 'piece_m', type: 'number'),
                    new OA\Property(property: 'pulled_apart', description: 'the same pipes are joined again', type: 'boolean'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'The new joints',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/JointName')),
            ),
        ],
    )]
    public function cutOut(): void;

    #[OA\Delete(
        path: '/joints/{joint}',
        summary: 'Take a planned joint off the line: nothing was recorded on it yet',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'joint', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Taken back')],
    )]
    public function takeBack(): void;
}
