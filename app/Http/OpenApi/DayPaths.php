<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of DayController as the API describes them; the method of the same name answers. */
interface DayPaths
{
    #[OA\Get(
        path: '/lines/{line}/day',
        summary: 'The days to come of a line, with what was asked last',
        tags: ['lines'],
        parameters: [
            new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'section',
                description: 'id of a section, or "line" for all of it; left out: the section that is tested next',
                in: 'query',
                schema: new OA\Schema(type: 'string'),
            ),
        ],
        responses: [new OA\Response(response: 200, description: 'They', content: new OA\JsonContent(ref: '#/components/schemas/DayPage'))],
    )]
    public function show(): void;

    #[OA\Post(
        path: '/lines/{line}/day/try',
        summary: 'Plan the days to come with other means; nothing is kept',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/DayAsked')),
        responses: [
            new OA\Response(response: 200, description: 'They', content: new OA\JsonContent(ref: '#/components/schemas/DayPage')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function try(): void;

    #[OA\Post(
        path: '/lines/{line}/day',
        summary: 'Take the days to come for the plan that they are held against',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/DayAsked')),
        responses: [
            new OA\Response(response: 201, description: 'Taken', content: new OA\JsonContent(ref: '#/components/schemas/DayPage')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function take(): void;
}
