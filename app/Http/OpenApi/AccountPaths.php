<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of AccountController as the API describes them; the method of the same name answers. */
interface AccountPaths
{
    #[OA\Get(
        path: '/me/account',
        summary: 'Second factor, and the devices on which one is signed in',
        tags: ['account'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The account',
                content: new OA\JsonContent(ref: '#/components/schemas/Account'),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Put(
        path: '/me/password',
        summary: 'Change the own password; all other devices are signed out',
        tags: ['account'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['password', 'new_password'],
                properties: [
                    new OA\Property(property: 'password', type: 'string'),
                    new OA\Property(property: 'new_password', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function changePassword(): void;

    #[OA\Delete(
        path: '/me/devices',
        summary: 'Sign out on all other devices',
        tags: ['account'],
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function endOthers(): void;

    #[OA\Delete(
        path: '/me/devices/{device}',
        summary: 'Sign out on one device',
        tags: ['account'],
        parameters: [
            new OA\Parameter(name: 'device', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function end(): void;

    #[OA\Post(
        path: '/me/second-factor',
        summary: 'A secret for an authenticator; it counts once a code of it was entered',
        tags: ['account'],
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
    public function beginFactor(): void;

    #[OA\Put(
        path: '/me/second-factor',
        summary: 'Add the second factor with a code of it',
        tags: ['account'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['code'],
                properties: [
                    new OA\Property(property: 'code', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function addFactor(): void;

    #[OA\Delete(
        path: '/me/second-factor',
        summary: 'Remove the second factor',
        tags: ['account'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['password'],
                properties: [
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function removeFactor(): void;
}
