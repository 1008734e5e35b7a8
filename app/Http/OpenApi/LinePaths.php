<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The addresses of LineController as the API describes them; the method of the same name answers. */
interface LinePaths
{
    #[OA\Get(
        path: '/lines',
        summary: 'Lines of my projects',
        tags: ['lines'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Lines',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LineShort')),
            ),
        ],
    )]
    public function index(): void;

    #[OA\Post(
        path: '/lines',
        summary: 'Make a line with planned joints and sections',
        tags: ['lines'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewLine')),
        responses: [
            new OA\Response(response: 201, description: 'The line', content: new OA\JsonContent(ref: '#/components/schemas/LineFull')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(): void;

    #[OA\Get(
        path: '/lines/{line}',
        summary: 'A line with its joints and sections',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'The line', content: new OA\JsonContent(ref: '#/components/schemas/LineFull')),
        ],
    )]
    public function show(): void;

    #[OA\Patch(
        path: '/lines/{line}',
        summary: 'Rename a line, extend it, plan the rest anew, put it away: recorded, and nothing judged before is altered',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['reason'],
                properties: [
                    new OA\Property(property: 'reason', type: 'string'),
                    new OA\Property(property: 'name', type: 'string', nullable: true),
                    new OA\Property(property: 'archived', type: 'boolean', nullable: true),
                    new OA\Property(
                        property: 'pipe_length_m',
                        description: 'of the pipes that nobody has begun to lay: they are planned anew from the face on',
                        type: 'number',
                        nullable: true,
                    ),
                    new OA\Property(property: 'design_bar', type: 'number', nullable: true),
                    new OA\Property(property: 'mdp_bar', type: 'number', nullable: true),
                    new OA\Property(
                        property: 'procedure_hash',
                        description: 'of the joints that nobody has begun',
                        type: 'string',
                        nullable: true,
                    ),
                    new OA\Property(
                        property: 'material',
                        description: 'of the pipes that are still to come, with series, nominal, and sdr, wall_mm or od_mm as it is sold',
                        type: 'string',
                        nullable: true,
                    ),
                    new OA\Property(property: 'series', type: 'string', nullable: true),
                    new OA\Property(property: 'nominal', type: 'number', nullable: true),
                    new OA\Property(property: 'sdr', type: 'number', nullable: true),
                    new OA\Property(property: 'wall_mm', type: 'number', nullable: true),
                    new OA\Property(property: 'od_mm', type: 'number', nullable: true),
                    new OA\Property(
                        property: 'points',
                        description: 'beyond the end: chainage, easting, northing, level',
                        type: 'array',
                        items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
                        nullable: true,
                    ),
                ],
            ),
        ),
        responses: [
            new OA\Response(response: 200, description: 'The line', content: new OA\JsonContent(ref: '#/components/schemas/LineFull')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function change(): void;

    #[OA\Get(
        path: '/lines/{line}/near',
        summary: 'What lies near a place of a line: by chainage, or by a point',
        tags: ['lines'],
        parameters: [
            new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(name: 'at_m', in: 'query', schema: new OA\Schema(type: 'number')),
            new OA\Parameter(name: 'easting', in: 'query', schema: new OA\Schema(type: 'number')),
            new OA\Parameter(name: 'northing', in: 'query', schema: new OA\Schema(type: 'number')),
        ],
        responses: [
            new OA\Response(response: 200, description: 'Near it', content: new OA\JsonContent(ref: '#/components/schemas/Near')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function near(): void;

    #[OA\Get(
        path: '/lines/{line}/log',
        summary: 'What was recorded last on a line, newest first',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'Entries',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LogEntry')),
            ),
        ],
    )]
    public function log(): void;

    #[OA\Post(
        path: '/lines/{line}/sections',
        summary: 'Add a section to be tested',
        tags: ['sections'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewSection')),
        responses: [
            new OA\Response(response: 201, description: 'The line', content: new OA\JsonContent(ref: '#/components/schemas/LineFull')),
        ],
    )]
    public function addSection(): void;

    #[OA\Post(
        path: '/lines/{line}/sections/preview',
        summary: 'What the plan would say of a section; nothing is kept',
        tags: ['sections'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewSection')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Its plan',
                content: new OA\JsonContent(ref: '#/components/schemas/SectionPreview'),
            ),
        ],
    )]
    public function previewSection(): void;

    #[OA\Post(
        path: '/lines/preview',
        summary: 'What a line would be; nothing is kept. Engineers only',
        tags: ['lines'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(description: 'a line as far as it is known', type: 'object')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Length, pipes, joints, and the plan of each section',
                content: new OA\JsonContent(ref: '#/components/schemas/LinePreview'),
            ),
        ],
    )]
    public function preview(): void;

    #[OA\Post(
        path: '/lines/{line}/joints',
        summary: 'Add a saddle, a joint that is not planned, or the restraints of a joint',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/NewJoint')),
        responses: [
            new OA\Response(
                response: 201,
                description: 'The new joints',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/JointShort')),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function addJoints(): void;

    #[OA\Post(
        path: '/lines/{line}/stretches',
        summary: 'Add a stretch or a point of the line on which something is recorded',
        tags: ['lines'],
        parameters: [new OA\Parameter(name: 'line', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\JsonContent(
                required: ['procedure_hash'],
                properties: [
                    new OA\Property(property: 'procedure_hash', type: 'string'),
                    new OA\Property(
                        property: 'name',
                        description: 'of a record of the line: found by itself',
                        type: 'string',
                        nullable: true,
                    ),
                    new OA\Property(property: 'from_m', description: 'of a stretch or a point', type: 'number', nullable: true),
                    new OA\Property(property: 'to_m', description: 'left out: a point', type: 'number', nullable: true),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'The stretch',
                content: new OA\JsonContent(ref: '#/components/schemas/StretchShort'),
            ),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function addStretch(): void;

    #[OA\Post(
        path: '/centre-line',
        summary: 'Read a centre line from CSV or GeoJSON text',
        tags: ['lines'],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')]),
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'Points',
                content: new OA\JsonContent(
                    properties: [
                        new OA\Property(
                            property: 'points',
                            type: 'array',
                            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
                        ),
                    ],
                ),
            ),
        ],
    )]
    public function readCentreLine(): void;
}
