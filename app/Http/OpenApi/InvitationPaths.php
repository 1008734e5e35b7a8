<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of InvitationController as the API describes them; the method of the same name answers. */
interface InvitationPaths
{
    #[OA\Get(
        path: '/invitations/{token}',
        summary: 'What a link leads to',
        tags: ['invitations'],
        parameters: [
            new OA\Parameter(name: 'token', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The invitation',
                content: new OA\JsonContent(ref: '#/components/schemas/Invitation'),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Post(
        path: '/invitations/{token}',
        summary: 'Follow it as somebody new',
        tags: ['invitations'],
        parameters: [
            new OA\Parameter(name: 'token', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['name', 'email', 'password'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'email', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 201, description: 'Who is signed in now'),
        ],
    )]
    public function admit(): void;

    #[OA\Post(
        path: '/invitations/{token}/join',
        summary: 'Follow it as who is signed in',
        tags: ['invitations'],
        parameters: [
            new OA\Parameter(name: 'token', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(response: 200, description: 'Done'),
        ],
    )]
    public function takeIn(): void;

    #[OA\Post(
        path: '/invitations/{token}/password',
        summary: 'Choose a new password by it',
        tags: ['invitations'],
        parameters: [
            new OA\Parameter(name: 'token', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['password'],
                properties: [
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 200, description: 'Done'),
        ],
    )]
    public function renew(): void;
}
