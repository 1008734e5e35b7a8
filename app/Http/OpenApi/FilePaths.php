<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of FileController as the API describes them; the method of the same name answers. */
interface FilePaths
{
    #[OA\Post(
        path: '/files/fusion-trace',
        summary: 'Read a fusion trace from CSV or JSON',
        tags: ['files'],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    properties: [
                        new OA\Property(property: 'file', type: 'string', format: 'binary'),
                        new OA\Property(property: 'subject', description: 'joint/ID or test/ID that it is evidence of', type: 'string'),
                        new OA\Property(property: 'step', type: 'string'),
                    ],
                ),
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Samples',
                content: new OA\JsonContent(ref: '#/components/schemas/FileSamples'),
            ),
        ],
    )]
    public function fusionTrace(): void;

    #[OA\Post(
        path: '/files/pressure-log',
        summary: 'Read and clean a logger\'s file',
        tags: ['files'],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    properties: [
                        new OA\Property(property: 'file', type: 'string', format: 'binary'),
                        new OA\Property(property: 'date_order', type: 'string'),
                        new OA\Property(property: 'subject', description: 'joint/ID or test/ID that it is evidence of', type: 'string'),
                        new OA\Property(property: 'step', type: 'string'),
                    ],
                ),
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Samples and what was cleaned',
                content: new OA\JsonContent(ref: '#/components/schemas/FileSamples'),
            ),
        ],
    )]
    public function pressureLog(): void;

    #[OA\Post(
        path: '/files/wrench',
        summary: 'Read what a digital wrench kept',
        tags: ['files'],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    properties: [
                        new OA\Property(property: 'file', type: 'string', format: 'binary'),
                        new OA\Property(property: 'subject', description: 'joint/ID that it is evidence of', type: 'string'),
                        new OA\Property(property: 'step', type: 'string'),
                    ],
                ),
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Readings in the order of their times',
                content: new OA\JsonContent(
                    required: ['readings'],
                    properties: [
                        new OA\Property(
                            property: 'readings',
                            type: 'array',
                            items: new OA\Items(
                                required: ['bolt', 'pass', 'torque_nm', 'time'],
                                properties: [
                                    new OA\Property(property: 'bolt', type: 'integer'),
                                    new OA\Property(property: 'pass', type: 'integer'),
                                    new OA\Property(property: 'torque_nm', type: 'number'),
                                    new OA\Property(property: 'time', type: 'string', format: 'date-time'),
                                ],
                                type: 'object',
                            ),
                        ),
                    ],
                    type: 'object',
                ),
            ),
        ],
    )]
    public function wrench(): void;

    #[OA\Post(
        path: '/files/entries',
        summary: 'Read entries of a list out of a file, such as levels as a surveyor gives them; nothing is recorded',
        tags: ['files'],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['file', 'subject', 'step'],
                    properties: [
                        new OA\Property(property: 'file', type: 'string', format: 'binary'),
                        new OA\Property(property: 'subject', description: 'stretch/ID for which they are', type: 'string'),
                        new OA\Property(property: 'step', type: 'string'),
                    ],
                ),
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Entries as the step takes them, and rows that are none, in words',
                content: new OA\JsonContent(
                    required: ['entries', 'left_out'],
                    properties: [
                        new OA\Property(property: 'entries', type: 'array', items: new OA\Items(type: 'object')),
                        new OA\Property(property: 'left_out', type: 'array', items: new OA\Items(type: 'string')),
                    ],
                ),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function entries(): void;

    #[OA\Get(
        path: '/lines/{line}/register.csv',
        summary: 'The register as CSV',
        tags: ['files'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'CSV')],
    )]
    public function csv(): void;

    #[OA\Get(
        path: '/lines/{line}/line.geojson',
        summary: 'Line, joints and sections as GeoJSON',
        tags: ['files'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'GeoJSON')],
    )]
    public function geoJson(): void;

    #[OA\Get(
        path: '/lines/{line}/register',
        summary: 'The register',
        tags: ['files'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'Register', content: new OA\JsonContent(ref: '#/components/schemas/Register')),
        ],
    )]
    public function register(): void;
}
