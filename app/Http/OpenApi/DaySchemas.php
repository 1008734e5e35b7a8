<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** What is sent and answered about the days of a line. */
#[OA\Schema(
    schema: 'DayAsked',
    required: [
        'crews', 'clamps', 'boxes', 'move_min', 'shift_from', 'shift_to', 'work_days', 'rain_min',
    ],
    properties: [
        new OA\Property(property: 'section', type: 'string', nullable: true),
        new OA\Property(property: 'crews', type: 'integer'),
        new OA\Property(property: 'clamps', description: 'sets', type: 'integer'),
        new OA\Property(property: 'boxes', type: 'integer'),
        new OA\Property(property: 'move_min', type: 'number'),
        new OA\Property(property: 'plant', description: 'machines that open the trench', type: 'integer'),
        new OA\Property(property: 'open_ahead', description: 'joints for which the trench is open', type: 'integer'),
        new OA\Property(property: 'open_min', description: 'null: nobody waits for the trench', type: 'number', nullable: true),
        new OA\Property(property: 'prepare_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'fit_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'fuse_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'cool_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'rest_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'test_min', description: 'null: by what is known best', type: 'number', nullable: true),
        new OA\Property(property: 'shift_from', description: 'time of day at the place', type: 'string'),
        new OA\Property(property: 'shift_to', type: 'string'),
        new OA\Property(property: 'pause_from', type: 'string', nullable: true),
        new OA\Property(property: 'pause_to', type: 'string', nullable: true),
        new OA\Property(property: 'work_days', description: '1 Monday to 7 Sunday', type: 'array', items: new OA\Items(type: 'integer')),
        new OA\Property(property: 'rain_min', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'ActTime',
    required: [
        'act', 'min', 'from', 'joints', 'source', 'certainty',
    ],
    properties: [
        new OA\Property(property: 'act', type: 'string', enum: ['prepare', 'fit', 'fuse', 'cool', 'rest', 'test']),
        new OA\Property(property: 'min', type: 'number', nullable: true),
        new OA\Property(property: 'from', type: 'string', enum: ['typed', 'read', 'crew', 'text'], nullable: true),
        new OA\Property(property: 'joints', type: 'integer'),
        new OA\Property(property: 'source', type: 'string', nullable: true),
        new OA\Property(property: 'certainty', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'DayJoint',
    required: [
        'id', 'number', 'chainage_m', 'begun', 'open_from', 'opened_at', 'prepare_from', 'ready_at', 'fit_from', 'fuse_from', 'joined_at',
        'cold_at', 'waits_min',
    ],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'begun', type: 'boolean'),
        new OA\Property(property: 'open_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'opened_at', description: 'trench open', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'prepare_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'ready_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'fit_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'fuse_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'joined_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'cold_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'waits_min', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'DayAttached',
    description: 'What hangs on the line: made at one go',
    required: ['id', 'number', 'chainage_m', 'prepare_from', 'fuse_from', 'joined_at', 'cold_at'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'prepare_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'fuse_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'joined_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'cold_at', type: 'string', format: 'date-time', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'MadeOfDay',
    required: [
        'id', 'number', 'chainage_m', 'verdict', 'hangs', 'prepare_from', 'ready_at', 'fit_from', 'fuse_from', 'joined_at',
        'cold_at', 'free_at',
    ],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'verdict', type: 'string', enum: ['good', 'close', 'bad', 'open']),
        new OA\Property(property: 'hangs', description: 'on the line: a saddle, a restraint', type: 'boolean'),
        new OA\Property(property: 'prepare_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'ready_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'fit_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'fuse_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'joined_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'cold_at', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'free_at', description: 'clamps off', type: 'string', format: 'date-time', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'TestWith',
    required: [
        'of', 'test_from',
    ],
    properties: [
        new OA\Property(property: 'of', type: 'string', enum: ['clamps', 'crew', 'box', 'plant']),
        new OA\Property(property: 'test_from', type: 'string', format: 'date-time', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'DayDone',
    required: [
        'joints', 'metres', 'tests',
    ],
    properties: [
        new OA\Property(property: 'joints', type: 'integer'),
        new OA\Property(property: 'metres', type: 'number'),
        new OA\Property(property: 'tests', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'DayOfLine',
    required: [
        'date', 'made', 'to_come', 'plan',
    ],
    properties: [
        new OA\Property(property: 'date', type: 'string', format: 'date'),
        new OA\Property(property: 'made', ref: '#/components/schemas/DayDone'),
        new OA\Property(property: 'to_come', ref: '#/components/schemas/DayDone'),
        new OA\Property(property: 'plan', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/DayDone')]),
    ],
)]
#[OA\Schema(
    schema: 'InStores',
    description: 'Of a kind of thing in the stores',
    required: ['usable', 'there'],
    properties: [
        new OA\Property(property: 'usable', description: 'in date today, and for the pipe of the line', type: 'integer'),
        new OA\Property(property: 'there', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'DayPage',
    required: [
        'now', 'section', 'asked', 'in_stores', 'acts', 'missing', 'left', 'beyond', 'anew', 'bad',
        'unsigned', 'to_hang', 'others', 'clamps_at_work', 'made',
        'joints', 'attached', 'pauses', 'test_from', 'test_at', 'test', 'test_to', 'test_fits', 'today_to',
        'held_up_by', 'one_more', 'one_less',
        'rain_costs_min', 'clamps_use_pct', 'crew_use_pct', 'box_use_pct', 'plant_use_pct', 'waits_min', 'exact', 'no_sooner_than',
        'days', 'may_take', 'taken',
    ],
    properties: [
        new OA\Property(property: 'now', type: 'string', format: 'date-time'),
        new OA\Property(property: 'section', type: 'string', nullable: true),
        new OA\Property(property: 'asked', ref: '#/components/schemas/DayAsked'),
        new OA\Property(
            property: 'in_stores',
            required: ['clamps', 'boxes'],
            properties: [
                new OA\Property(property: 'clamps', ref: '#/components/schemas/InStores'),
                new OA\Property(property: 'boxes', ref: '#/components/schemas/InStores'),
            ],
            type: 'object',
        ),
        new OA\Property(property: 'acts', type: 'array', items: new OA\Items(ref: '#/components/schemas/ActTime')),
        new OA\Property(property: 'missing', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'left', description: 'joints that are still to be made', type: 'integer'),
        new OA\Property(property: 'beyond', description: 'of them too many to plan', type: 'integer'),
        new OA\Property(
            property: 'anew',
            description: 'bad joints that are planned to be made anew',
            type: 'array',
            items: new OA\Items(type: 'string'),
        ),
        new OA\Property(property: 'bad', description: 'other bad joints', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'unsigned', description: 'joined, and not accepted yet', type: 'integer'),
        new OA\Property(property: 'to_hang', description: 'saddles and restraints that are planned', type: 'integer'),
        new OA\Property(property: 'others', description: 'of which nobody knows how long they take: not planned', type: 'integer'),
        new OA\Property(property: 'clamps_at_work', type: 'integer'),
        new OA\Property(property: 'made', type: 'array', items: new OA\Items(ref: '#/components/schemas/MadeOfDay')),
        new OA\Property(property: 'joints', type: 'array', items: new OA\Items(ref: '#/components/schemas/DayJoint')),
        new OA\Property(property: 'attached', type: 'array', items: new OA\Items(ref: '#/components/schemas/DayAttached')),
        new OA\Property(
            property: 'pauses',
            type: 'array',
            items: new OA\Items(
                required: ['from', 'to'],
                properties: [
                    new OA\Property(property: 'from', type: 'string', format: 'date-time'),
                    new OA\Property(property: 'to', type: 'string', format: 'date-time'),
                ],
                type: 'object',
            ),
        ),
        new OA\Property(property: 'test_from', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(
            property: 'test_at',
            description: 'when somebody is there to begin it',
            type: 'string',
            format: 'date-time',
            nullable: true,
        ),
        new OA\Property(property: 'test', ref: '#/components/schemas/ActTime'),
        new OA\Property(property: 'test_to', description: 'null: unknown', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'test_fits', description: 'into one day of work', type: 'boolean', nullable: true),
        new OA\Property(
            property: 'today_to',
            description: 'the last joint to which a test can begin today, where the whole cannot',
            required: ['number', 'chainage_m', 'test_from'],
            properties: [
                new OA\Property(property: 'number', type: 'string'),
                new OA\Property(property: 'chainage_m', type: 'number'),
                new OA\Property(property: 'test_from', type: 'string', format: 'date-time'),
            ],
            type: 'object',
            nullable: true,
        ),
        new OA\Property(
            property: 'held_up_by',
            type: 'array',
            items: new OA\Items(type: 'string', enum: ['clamps', 'crew', 'box', 'plant', 'cooling', 'made']),
        ),
        new OA\Property(property: 'one_more', type: 'array', items: new OA\Items(ref: '#/components/schemas/TestWith')),
        new OA\Property(property: 'one_less', type: 'array', items: new OA\Items(ref: '#/components/schemas/TestWith')),
        new OA\Property(property: 'rain_costs_min', description: 'an hour of it', type: 'number', nullable: true),
        new OA\Property(property: 'clamps_use_pct', type: 'number', nullable: true),
        new OA\Property(property: 'crew_use_pct', type: 'number', nullable: true),
        new OA\Property(property: 'box_use_pct', type: 'number', nullable: true),
        new OA\Property(property: 'plant_use_pct', type: 'number', nullable: true),
        new OA\Property(property: 'waits_min', type: 'number', nullable: true),
        new OA\Property(property: 'exact', type: 'boolean', nullable: true),
        new OA\Property(property: 'no_sooner_than', type: 'string', format: 'date-time', nullable: true),
        new OA\Property(property: 'days', type: 'array', items: new OA\Items(ref: '#/components/schemas/DayOfLine')),
        new OA\Property(property: 'may_take', type: 'boolean'),
        new OA\Property(
            property: 'taken',
            description: 'what was taken for the plan last',
            required: ['at', 'by', 'section', 'test_from'],
            properties: [
                new OA\Property(property: 'at', type: 'string', format: 'date-time'),
                new OA\Property(property: 'by', type: 'string'),
                new OA\Property(property: 'section', type: 'string', nullable: true),
                new OA\Property(property: 'test_from', type: 'string', format: 'date-time', nullable: true),
            ],
            type: 'object',
            nullable: true,
        ),
    ],
)]
interface DaySchemas
{
}
