<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of OrganisationController, for administrators; the method of the same name answers. */
interface OrganisationPaths
{
    #[OA\Get(
        path: '/organisation',
        summary: 'Projects, people, open invitations',
        tags: ['organisation'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The organisation',
                content: new OA\JsonContent(ref: '#/components/schemas/Organisation'),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Get(
        path: '/organisation/journal',
        summary: 'What was done and refused, the newest first',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'before', in: 'query', required: false, schema: new OA\Schema(type: 'integer')),
            new OA\Parameter(name: 'what', in: 'query', required: false, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Up to 100 rows',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/JournalRow')),
            ),
        ],
    )]
    public function journal(): void;

    #[OA\Post(
        path: '/organisation/projects',
        summary: 'Make a project; who makes it is its first engineer',
        tags: ['organisation'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['name', 'time_zone'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'place', type: 'string'),
                    new OA\Property(property: 'client', type: 'string'),
                    new OA\Property(property: 'contractor', type: 'string'),
                    new OA\Property(property: 'time_zone', type: 'string'),
                    new OA\Property(property: 'practice', type: 'boolean'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'The project',
                content: new OA\JsonContent(ref: '#/components/schemas/ProjectShort'),
            ),
        ],
    )]
    public function makeProject(): void;

    #[OA\Patch(
        path: '/organisation/projects/{project}',
        summary: 'Does it want a second factor?',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'project', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['wants_second_factor'],
                properties: [
                    new OA\Property(property: 'wants_second_factor', type: 'boolean'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 200, description: 'Done'),
        ],
    )]
    public function changeProject(): void;

    #[OA\Post(
        path: '/organisation/invitations',
        summary: 'A link that works once',
        tags: ['organisation'],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: [],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'project_id', type: 'integer'),
                    new OA\Property(property: 'role', type: 'string'),
                    new OA\Property(property: 'makes_admin', type: 'boolean'),
                    new OA\Property(property: 'user_id', type: 'integer'),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 201, description: 'Its path, said this once'),
        ],
    )]
    public function invite(): void;

    #[OA\Delete(
        path: '/organisation/invitations/{invitation}',
        summary: 'Withdraw it',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'invitation', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
        ],
        responses: [
            new OA\Response(response: 204, description: 'Done'),
        ],
    )]
    public function withdraw(): void;

    #[OA\Patch(
        path: '/organisation/people/{user}',
        summary: 'Disable, let in again, make administrator, take the second factor away',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'user', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: [],
                properties: [
                    new OA\Property(property: 'disabled', type: 'boolean'),
                    new OA\Property(property: 'is_admin', type: 'boolean'),
                    new OA\Property(property: 'second_factor', type: 'boolean'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'The person',
                content: new OA\JsonContent(ref: '#/components/schemas/Person'),
            ),
        ],
    )]
    public function change(): void;

    #[OA\Put(
        path: '/organisation/projects/{project}/people/{user}',
        summary: 'Give a role in a project',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'project', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
            new OA\Parameter(name: 'user', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['role'],
                properties: [
                    new OA\Property(property: 'role', type: 'string'),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'The person',
                content: new OA\JsonContent(ref: '#/components/schemas/Person'),
            ),
        ],
    )]
    public function giveRole(): void;

    #[OA\Delete(
        path: '/organisation/projects/{project}/people/{user}',
        summary: 'Take from a project',
        tags: ['organisation'],
        parameters: [
            new OA\Parameter(name: 'project', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
            new OA\Parameter(name: 'user', in: 'path', required: true, schema: new OA\Schema(type: 'integer')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The person',
                content: new OA\JsonContent(ref: '#/components/schemas/Person'),
            ),
        ],
    )]
    public function takeFrom(): void;
}
