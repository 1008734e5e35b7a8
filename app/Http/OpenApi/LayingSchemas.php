<?php

namespace App\Http\OpenApi;

use OpenApi\Attributes as OA;

/** The shapes of the laying plan. Metres and degrees. */
#[OA\Schema(
    schema: 'StockRow',
    required: [
        'length_m', 'count',
    ],
    properties: [
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'count', description: 'null: plenty', type: 'integer', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'LaidPlace',
    required: [
        'e_m', 'n_m', 'invert_m',
    ],
    properties: [
        new OA\Property(property: 'e_m', type: 'number'),
        new OA\Property(property: 'n_m', type: 'number'),
        new OA\Property(property: 'invert_m', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'LayingAsked',
    description: 'What a laying plan is to keep to',
    required: [
        'stock', 'max_joint_angle_deg', 'working_share', 'min_piece_m',
    ],
    properties: [
        new OA\Property(property: 'stock', type: 'array', items: new OA\Items(ref: '#/components/schemas/StockRow')),
        new OA\Property(property: 'max_joint_angle_deg', description: 'largest angle of a joint', type: 'number', nullable: true),
        new OA\Property(
            property: 'limit_source',
            description: 'whose figure it is, where the procedure says none',
            type: 'string',
            nullable: true,
        ),
        new OA\Property(property: 'working_share', description: 'of the limit that is used', type: 'number'),
        new OA\Property(property: 'min_piece_m', type: 'number'),
        new OA\Property(property: 'joint_allowance_m', description: 'gap kept at a joint', type: 'number', nullable: true),
        new OA\Property(property: 'barrel_tol_m', description: 'a pipe may lie off the line by', type: 'number', nullable: true),
        new OA\Property(property: 'side_tol_m', description: 'sideways, in plan', type: 'number', nullable: true),
        new OA\Property(property: 'level_tol_m', description: 'in level, at the same place', type: 'number', nullable: true),
        new OA\Property(property: 'allow_phase_cuts', type: 'boolean', nullable: true),
        new OA\Property(
            property: 'off_right_m',
            description: 'the last pipe lies to the right of the line by',
            type: 'number',
            nullable: true,
        ),
        new OA\Property(property: 'off_up_m', type: 'number', nullable: true),
        new OA\Property(property: 'bends', type: 'array', items: new OA\Items(ref: '#/components/schemas/BendRow')),
        new OA\Property(property: 'ground', type: 'array', items: new OA\Items(ref: '#/components/schemas/GroundPoint')),
        new OA\Property(property: 'least_cover_m', description: 'over the crown', type: 'number', nullable: true),
        new OA\Property(property: 'ground_u_m', description: 'the ground is known to within, k = 2', type: 'number', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'GroundPoint',
    required: ['at_m', 'level_m'],
    properties: [
        new OA\Property(property: 'at_m', description: 'chainage', type: 'number'),
        new OA\Property(property: 'level_m', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'StretchOfLine',
    required: ['from_m', 'to_m'],
    properties: [new OA\Property(property: 'from_m', type: 'number'), new OA\Property(property: 'to_m', type: 'number')],
)]
#[OA\Schema(
    schema: 'CoverOfPlan',
    required: ['cover_m', 'at_m', 'short', 'unknown', 'verdict', 'reasons'],
    properties: [
        new OA\Property(property: 'cover_m', description: 'the least', type: 'number', nullable: true),
        new OA\Property(property: 'at_m', type: 'number', nullable: true),
        new OA\Property(property: 'short', type: 'array', items: new OA\Items(ref: '#/components/schemas/StretchOfLine')),
        new OA\Property(property: 'unknown', type: 'array', items: new OA\Items(ref: '#/components/schemas/StretchOfLine')),
        new OA\Property(property: 'verdict', type: 'string', enum: ['good', 'close', 'bad', 'open']),
        new OA\Property(
            property: 'reasons',
            type: 'array',
            items: new OA\Items(
                type: 'string',
                enum: ['no-limit', 'ground-unknown', 'no-uncertainty', 'short', 'within-uncertainty', 'no-diameter'],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'BendRow',
    description: 'A bend that is set into a corner of the line',
    required: [
        'at_m', 'bend_deg', 'leg_m',
    ],
    properties: [
        new OA\Property(property: 'at_m', description: 'chainage of the corner', type: 'number'),
        new OA\Property(property: 'bend_deg', type: 'number'),
        new OA\Property(property: 'leg_m', description: 'from its centre to the joint at either end', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'LaidBend',
    description: 'What a bend of a plan is, and how it is turned',
    required: [
        'bend_deg', 'at_m', 'leg_m', 'turn_hour', 'leaves_azimuth_deg', 'leaves_grade_ratio',
    ],
    properties: [
        new OA\Property(property: 'bend_deg', type: 'number'),
        new OA\Property(property: 'at_m', type: 'number'),
        new OA\Property(property: 'leg_m', type: 'number'),
        new OA\Property(property: 'turn_hour', description: 'on the clock, along the line', type: 'number', nullable: true),
        new OA\Property(property: 'leaves_azimuth_deg', type: 'number'),
        new OA\Property(property: 'leaves_grade_ratio', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'LaidRow',
    description: 'A pipe in its place',
    required: [
        'pipe', 'length_m', 'cut_from_m', 'from_m', 'to_m', 'from', 'to', 'azimuth_deg', 'grade_ratio', 'angle_deg',
        'angle_share', 'turn_hour', 'turn_right_deg', 'turn_up_deg', 'gap_difference_m', 'off_line_m',
        'off_side_m', 'off_level_m', 'bend',
    ],
    properties: [
        new OA\Property(property: 'pipe', description: 'null: a bend', type: 'integer', nullable: true),
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'cut_from_m', type: 'number', nullable: true),
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'to_m', type: 'number'),
        new OA\Property(property: 'from', ref: '#/components/schemas/LaidPlace'),
        new OA\Property(property: 'to', ref: '#/components/schemas/LaidPlace'),
        new OA\Property(property: 'azimuth_deg', type: 'number'),
        new OA\Property(property: 'grade_ratio', type: 'number'),
        new OA\Property(property: 'angle_deg', description: 'of the joint before it', type: 'number', nullable: true),
        new OA\Property(property: 'angle_share', description: 'of the limit', type: 'number', nullable: true),
        new OA\Property(property: 'turn_hour', type: 'number', nullable: true),
        new OA\Property(property: 'turn_right_deg', type: 'number', nullable: true),
        new OA\Property(property: 'turn_up_deg', type: 'number', nullable: true),
        new OA\Property(property: 'gap_difference_m', type: 'number', nullable: true),
        new OA\Property(property: 'off_line_m', description: 'the pipe lies off the line by, in space', type: 'number'),
        new OA\Property(property: 'off_side_m', type: 'number'),
        new OA\Property(property: 'off_level_m', type: 'number'),
        new OA\Property(property: 'bend', ref: '#/components/schemas/LaidBend', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'LayingHelp',
    description: 'What would help where a line cannot be laid, and what it costs',
    required: [
        'kind', 'enough', 'pieces', 'cuts', 'max_angle_deg',
    ],
    properties: [
        new OA\Property(
            property: 'kind',
            type: 'string',
            enum: ['whole-limit', 'shorter-pipes', 'cuts-within', 'bend', 'wider-curve', 'more-pipes', 'shorter-closing'],
        ),
        new OA\Property(
            property: 'enough',
            description: 'null: worked out only, the line itself would change',
            type: 'boolean',
            nullable: true,
        ),
        new OA\Property(property: 'pieces', type: 'integer', nullable: true),
        new OA\Property(property: 'cuts', type: 'integer', nullable: true),
        new OA\Property(property: 'max_angle_deg', type: 'number', nullable: true),
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'count', type: 'integer'),
        new OA\Property(property: 'bend_deg', type: 'number'),
        new OA\Property(property: 'at_m', type: 'number'),
        new OA\Property(property: 'leg_m', type: 'number'),
        new OA\Property(property: 'residual_deg', type: 'number'),
        new OA\Property(property: 'radius_m', type: 'number'),
        new OA\Property(property: 'moves_m', type: 'number'),
        new OA\Property(property: 'longer_by_m', type: 'number'),
        new OA\Property(property: 'short_m', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'LayingOutcome',
    required: [
        'from_m', 'feasible', 'piece_count', 'bend_count', 'cut_count', 'max_angle_deg', 'fewest_proved', 'fail_reason', 'fail_station_m',
        'fail_angle_deg',
        'rows', 'rise_m', 'falling_count', 'wants_uphill', 'cover', 'helps',
    ],
    properties: [
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'feasible', type: 'boolean'),
        new OA\Property(property: 'piece_count', description: 'pipes', type: 'integer', nullable: true),
        new OA\Property(property: 'bend_count', type: 'integer', nullable: true),
        new OA\Property(property: 'cut_count', type: 'integer', nullable: true),
        new OA\Property(property: 'max_angle_deg', type: 'number', nullable: true),
        new OA\Property(property: 'fewest_proved', type: 'boolean'),
        new OA\Property(property: 'fail_reason', type: 'string', enum: ['stock', 'angle', 'tolerance', 'closing'], nullable: true),
        new OA\Property(property: 'fail_station_m', type: 'number', nullable: true),
        new OA\Property(property: 'fail_angle_deg', type: 'number', nullable: true),
        new OA\Property(property: 'rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/LaidRow')),
        new OA\Property(property: 'rise_m', description: 'from the face to the end of what is laid out', type: 'number'),
        new OA\Property(property: 'falling_count', description: 'pipes that fall in the direction of laying', type: 'integer'),
        new OA\Property(property: 'wants_uphill', description: 'such a line is laid uphill', type: 'boolean'),
        new OA\Property(
            property: 'cover',
            description: 'null: nobody says where the ground is',
            nullable: true,
            oneOf: [new OA\Schema(ref: '#/components/schemas/CoverOfPlan')],
        ),
        new OA\Property(property: 'helps', type: 'array', items: new OA\Items(ref: '#/components/schemas/LayingHelp')),
    ],
)]
#[OA\Schema(
    schema: 'LayingPage',
    required: [
        'from_m', 'face', 'pipe', 'turns', 'to_hand', 'may_lay_down', 'asked', 'plan',
    ],
    properties: [
        new OA\Property(property: 'from_m', description: 'chainage of the face', type: 'number'),
        new OA\Property(property: 'face', description: 'number of the last joint that was begun', type: 'string', nullable: true),
        new OA\Property(property: 'pipe', description: 'number of the last pipe that lies', type: 'string', nullable: true),
        new OA\Property(
            property: 'turns',
            description: 'how far a joint may turn, by the procedure; null: it says nothing of it',
            required: ['limit_deg', 'source'],
            properties: [new OA\Property(property: 'limit_deg', type: 'number'), new OA\Property(property: 'source', type: 'string')],
            type: 'object',
            nullable: true,
        ),
        new OA\Property(property: 'to_hand', type: 'array', items: new OA\Items(ref: '#/components/schemas/StockRow')),
        new OA\Property(property: 'may_lay_down', type: 'boolean'),
        new OA\Property(property: 'asked', ref: '#/components/schemas/LayingAsked'),
        new OA\Property(
            property: 'plan',
            description: 'the one that was laid down last',
            required: ['at', 'by', 'reason', 'from_m', 'rows'],
            properties: [
                new OA\Property(property: 'at', type: 'string', format: 'date-time'),
                new OA\Property(property: 'by', type: 'string'),
                new OA\Property(property: 'reason', type: 'string'),
                new OA\Property(property: 'from_m', type: 'number'),
                new OA\Property(property: 'rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/LaidRow')),
            ],
            type: 'object',
            nullable: true,
        ),
    ],
)]
interface LayingSchemas
{
}
