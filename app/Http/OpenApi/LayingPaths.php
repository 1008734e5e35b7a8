<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of LayingController as the API describes them; the method of the same name answers. */
interface LayingPaths
{
    #[OA\Get(
        path: '/lines/{line}/laying-plan',
        summary: 'What the laying plan of a line starts from, and the one that was laid down last',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'It', content: new OA\JsonContent(ref: '#/components/schemas/LayingPage')),
        ],
    )]
    public function show(): void;

    #[OA\Post(
        path: '/lines/{line}/laying-plan/try',
        summary: 'Lay the rest of a line out; nothing is kept',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/LayingAsked')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'What comes of it',
                content: new OA\JsonContent(ref: '#/components/schemas/LayingOutcome'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function try(): void;

    #[OA\Post(
        path: '/lines/{line}/laying-plan',
        summary: 'Lay a plan down: its joints and pipes come in the place of those that nobody has begun',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(allOf: [
                new OA\Schema(ref: '#/components/schemas/LayingAsked'),
                new OA\Schema(
                    required: ['reason', 'from_m'],
                    properties: [
                        new OA\Property(property: 'reason', type: 'string'),
                        new OA\Property(property: 'from_m', description: 'the face that the person saw', type: 'number'),
                    ],
                ),
            ]),
        ),
        responses: [
            new OA\Response(response: 201, description: 'Laid down', content: new OA\JsonContent(ref: '#/components/schemas/LayingPage')),
            new OA\Response(
                response: 409,
                description: 'Work went on meanwhile',
                content: new OA\JsonContent(ref: '#/components/schemas/Problem'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function layDown(): void;

    #[OA\Get(
        path: '/lines/{line}/laying-plan.csv',
        summary: 'The plan that was laid down, as a table',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The file', content: new OA\MediaType(mediaType: 'text/csv')),
        ],
    )]
    public function csv(): void;

    #[OA\Get(
        path: '/lines/{line}/laying-plan.geojson',
        summary: 'The same for a map',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The file', content: new OA\MediaType(mediaType: 'application/geo+json')),
        ],
    )]
    public function geoJson(): void;

    #[OA\Get(
        path: '/lines/{line}/laying-plan.xml',
        summary: 'The same as a LandXML alignment',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The file', content: new OA\MediaType(mediaType: 'application/xml')),
        ],
    )]
    public function landXml(): void;

    #[OA\Get(
        path: '/lines/{line}/laying-sheet.pdf',
        summary: 'The same on paper, for the trench',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The file', content: new OA\MediaType(mediaType: 'application/pdf')),
        ],
    )]
    public function sheet(): void;
}
