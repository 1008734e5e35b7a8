<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of SessionController as the API describes them; the method of the same name answers. */
interface SessionPaths
{
    #[OA\Post(
        path: '/session',
        summary: 'Sign in',
        tags: ['session'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['email', 'password'],
                properties: [
                    new OA\Property(property: 'email', type: 'string'),
                    new OA\Property(property: 'password', type: 'string'),
                    new OA\Property(property: 'code', description: 'of the second factor', type: 'string', nullable: true),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Who is signed in',
                content: new OA\JsonContent(ref: '#/components/schemas/Me'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(): void;

    #[OA\Get(
        path: '/me',
        summary: 'Who is signed in, with roles',
        tags: ['session'],
        responses: [new OA\Response(response: 200, description: 'Me', content: new OA\JsonContent(ref: '#/components/schemas/Me'))],
    )]
    public function show(): void;

    #[OA\Patch(
        path: '/me',
        summary: 'Choose units for reading and typing',
        tags: ['session'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(properties: [new OA\Property(property: 'units', type: 'string', enum: ['metric', 'bar', 'us'])]),
        ),
        responses: [new OA\Response(response: 200, description: 'Me', content: new OA\JsonContent(ref: '#/components/schemas/Me'))],
    )]
    public function update(): void;

    #[OA\Delete(
        path: '/session',
        summary: 'Sign out',
        tags: ['session'],
        responses: [new OA\Response(response: 204, description: 'Signed out')],
    )]
    public function destroy(): void;
}
