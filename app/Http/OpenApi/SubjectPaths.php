<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of SubjectController as the API describes them; the method of the same name answers. */
interface SubjectPaths
{
    #[OA\Get(
        path: '/subjects/{kind}/{subject}',
        summary: 'A joint, a test or a stretch with its facts and judgement',
        tags: ['subjects'],
        parameters: [
            new OA\Parameter(
                name: 'kind',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch']),
            ),
            new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'The subject',
                content: new OA\JsonContent(ref: '#/components/schemas/Subject'),
            ),
        ],
    )]
    public function show(): void;

    #[OA\Get(
        path: '/subjects/{kind}/{subject}/record.json',
        summary: 'All that it was judged by, as open data: `bin/diastoma judge` comes to the same verdict',
        tags: ['subjects'],
        parameters: [
            new OA\Parameter(
                name: 'kind',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch']),
            ),
            new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [new OA\Response(response: 200, description: 'The record', content: new OA\JsonContent(type: 'object'))],
    )]
    public function export(): void;

    #[OA\Post(
        path: '/subjects/{kind}/{subject}/facts',
        summary: 'Record a fact; the same id twice is stored once',
        tags: ['subjects'],
        parameters: [
            new OA\Parameter(
                name: 'kind',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch']),
            ),
            new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewFact')),
        responses: [
            new OA\Response(
                response: 201,
                description: 'Stored and judged',
                content: new OA\JsonContent(ref: '#/components/schemas/Recorded'),
            ),
            new OA\Response(
                response: 200,
                description: 'Was stored already',
                content: new OA\JsonContent(ref: '#/components/schemas/Recorded'),
            ),
            new OA\Response(
                response: 409,
                description: 'Contradicts what is recorded',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function record(): void;

    #[OA\Post(
        path: '/subjects/{kind}/{subject}/photos',
        summary: 'Keep a picture of a step; the same id twice is kept once',
        tags: ['subjects'],
        parameters: [
            new OA\Parameter(
                name: 'kind',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['joint', 'test', 'stretch']),
            ),
            new OA\Parameter(name: 'subject', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        ],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['id', 'step', 'taken_at', 'file'],
                    properties: [
                        new OA\Property(property: 'id', type: 'string'),
                        new OA\Property(property: 'step', type: 'string'),
                        new OA\Property(property: 'taken_at', type: 'string'),
                        new OA\Property(property: 'file', type: 'string', format: 'binary'),
                    ],
                ),
            ),
        ),
        responses: [
            new OA\Response(response: 201, description: 'Kept', content: new OA\JsonContent(ref: '#/components/schemas/Photo')),
            new OA\Response(response: 422, description: 'No picture', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function keepPhoto(): void;

    #[OA\Post(
        path: '/{before}/{id}/{what}',
        summary: 'The address that devices knew formerly: leads on to the one of today',
        deprecated: true,
        tags: ['subjects'],
        parameters: [
            new OA\Parameter(
                name: 'before',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['joints', 'tests']),
            ),
            new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'what',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['facts', 'photos']),
            ),
        ],
        responses: [new OA\Response(response: 308, description: 'There, with method and body')],
    )]
    public function moved(): void;

    #[OA\Get(
        path: '/photos/{photo}',
        summary: 'A picture',
        tags: ['subjects'],
        parameters: [new OA\Parameter(name: 'photo', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'JPEG')],
    )]
    public function photo(): void;
}
