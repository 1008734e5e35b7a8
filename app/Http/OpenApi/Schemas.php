<?php

namespace App\Http\OpenApi;

use Diastoma\Core\PressureTest\Medium;
use OpenApi\Attributes as OA;

/** The shapes that the API speaks. */
#[OA\Info(
    version: '1.0',
    title: 'Diastoma',
    description: 'Lines, joints, sections and tests of buried mains. Errors are RFC 9457 problem details.',
)]
#[OA\Server(url: '/api/v1')]
#[OA\Schema(
    schema: 'Problem',
    required: ['title', 'status'],
    properties: [
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'status', type: 'integer'),
        new OA\Property(
            property: 'errors',
            type: 'array',
            items: new OA\Items(
                required: ['field', 'message'],
                properties: [new OA\Property(property: 'field', type: 'string'), new OA\Property(property: 'message', type: 'string')],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'ProjectShort',
    required: ['id', 'name', 'place', 'time_zone', 'practice', 'role'],
    properties: [
        new OA\Property(property: 'id', type: 'integer'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'place', type: 'string'),
        new OA\Property(property: 'time_zone', type: 'string'),
        new OA\Property(property: 'practice', description: 'stand-ins play its devices; nothing in it is real work', type: 'boolean'),
        new OA\Property(property: 'role', type: 'string', enum: ['joiner', 'foreman', 'inspector', 'engineer']),
    ],
)]
#[OA\Schema(
    schema: 'Pack',
    description: 'A file that is made in the background',
    required: ['id', 'kind', 'test_id', 'state', 'done', 'total', 'asked_at', 'by', 'as_of', 'bytes', 'sha256'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'kind', type: 'string', enum: ['test-pack', 'record-book', 'archive']),
        new OA\Property(property: 'test_id', description: 'of a test pack', type: 'string', nullable: true),
        new OA\Property(property: 'state', type: 'string', enum: ['waiting', 'making', 'ready', 'failed']),
        new OA\Property(property: 'done', description: 'pieces of total', type: 'integer'),
        new OA\Property(property: 'total', description: '0: not known yet', type: 'integer'),
        new OA\Property(property: 'asked_at', type: 'string', format: 'date-time'),
        new OA\Property(property: 'by', type: 'string'),
        new OA\Property(
            property: 'as_of',
            description: 'what stands in it is how things stood then',
            type: 'string',
            format: 'date-time',
            nullable: true,
        ),
        new OA\Property(property: 'bytes', type: 'integer', nullable: true),
        new OA\Property(property: 'sha256', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'Me',
    required: ['id', 'name', 'email', 'units', 'is_admin', 'must_add_factor', 'projects'],
    properties: [
        new OA\Property(property: 'id', type: 'integer'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'email', type: 'string'),
        new OA\Property(property: 'units', type: 'string', enum: ['metric', 'bar', 'us']),
        new OA\Property(property: 'is_admin', description: 'administrator of the organisation', type: 'boolean'),
        new OA\Property(
            property: 'must_add_factor',
            description: 'a project wants a second factor and there is none yet: nothing else is open',
            type: 'boolean',
        ),
        new OA\Property(property: 'projects', type: 'array', items: new OA\Items(ref: '#/components/schemas/ProjectShort')),
    ],
)]
#[OA\Schema(
    schema: 'Pipe',
    required: ['material', 'dn_mm', 'od_mm', 'sdr', 'wall_mm'],
    properties: [
        new OA\Property(property: 'material', type: 'string'),
        new OA\Property(property: 'dn_mm', type: 'number'),
        new OA\Property(property: 'od_mm', type: 'number'),
        new OA\Property(property: 'sdr', type: 'number'),
        new OA\Property(property: 'wall_mm', type: 'number'),
        new OA\Property(property: 'series', type: 'string'),
        new OA\Property(property: 'size', description: 'as it is called', type: 'string'),
        new OA\Property(property: 'nominal', description: 'as it is ordered, in its series', type: 'number'),
        new OA\Property(property: 'wall_as', description: 'how its wall is said', type: 'string', enum: ['ratio', 'class', 'measured']),
    ],
)]
#[OA\Schema(
    schema: 'Clock',
    required: ['name', 'label', 'at', 'until', 'meanwhile', 'free'],
    description: 'a time that is counted down to',
    properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'label', type: 'string'),
        new OA\Property(property: 'at', type: 'string'),
        new OA\Property(property: 'until', type: 'string', nullable: true, description: 'key of the step with which the waiting ends'),
        new OA\Property(property: 'meanwhile', type: 'string', nullable: true, description: 'what is to be done while it runs'),
        new OA\Property(property: 'free', type: 'string', nullable: true, description: 'what may be done when it has run out'),
    ],
)]
#[OA\Schema(
    schema: 'TagLine',
    required: ['label', 'text'],
    properties: [new OA\Property(property: 'label', type: 'string'), new OA\Property(property: 'text', type: 'string', nullable: true)],
)]
#[OA\Schema(
    schema: 'StretchShort',
    required: [
        'id', 'name', 'from_m', 'to_m', 'state', 'verdict', 'done', 'total', 'headline', 'of', 'place', 'daily', 'covers', 'uncovers',
    ],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'to_m', description: 'null: a point', type: 'number', nullable: true),
        new OA\Property(property: 'state', type: 'string', enum: ['planned', 'begun', 'made', 'accepted']),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'done', type: 'integer'),
        new OA\Property(property: 'total', type: 'integer'),
        new OA\Property(property: 'headline', type: 'string', nullable: true),
        new OA\Property(property: 'of', description: 'title of its procedure', type: 'string'),
        new OA\Property(property: 'place', description: 'line: of the line as a whole', type: 'string', enum: ['line', 'stretch']),
        new OA\Property(property: 'daily', description: 'there is one for each day', type: 'boolean'),
        new OA\Property(property: 'covers', description: 'joints are covered by it', type: 'boolean'),
        new OA\Property(property: 'uncovers', description: 'joints are laid bare again by it', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'PipeChange',
    properties: [
        new OA\Property(property: 'serial', type: 'string', nullable: true),
        new OA\Property(property: 'source', description: 'where it is from', type: 'string', nullable: true),
        new OA\Property(property: 'length_m', type: 'number', nullable: true),
        new OA\Property(
            property: 'material',
            type: 'string',
            enum: ['PE100', 'PVC-U', 'Ductile iron', 'GRP', 'Concrete', 'Corrugated PE', 'Steel', 'Asbestos cement', 'Composite'],
        ),
        new OA\Property(property: 'series', type: 'string', enum: ['metric', 'ips', 'dips', 'dn', 'dn-od', 'in-od']),
        new OA\Property(property: 'nominal', description: 'mm (metric), DN, or inch, as the series', type: 'number'),
        new OA\Property(property: 'sdr', type: 'number', nullable: true),
        new OA\Property(property: 'wall_mm', type: 'number', nullable: true),
        new OA\Property(property: 'od_mm', description: 'where no table of the series has it', type: 'number', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'NewPipe',
    required: ['number'],
    allOf: [new OA\Schema(ref: '#/components/schemas/PipeChange')],
    properties: [new OA\Property(property: 'number', type: 'string')],
)]
#[OA\Schema(
    schema: 'LinePipe',
    required: ['id', 'number', 'serial', 'length_m', 'source', 'state', 'reason', 'pipe', 'bend_deg', 'joints', 'said'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'serial', type: 'string', nullable: true),
        new OA\Property(property: 'length_m', type: 'number', nullable: true),
        new OA\Property(property: 'source', type: 'string', nullable: true),
        new OA\Property(property: 'state', type: 'string', enum: ['to-hand', 'laid', 'rejected']),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(property: 'pipe', ref: '#/components/schemas/Pipe'),
        new OA\Property(property: 'bend_deg', description: 'null: it is a pipe and no bend', type: 'number', nullable: true),
        new OA\Property(
            property: 'joints',
            description: 'numbers of those in which it lies or is planned',
            type: 'array',
            items: new OA\Items(type: 'string'),
        ),
        new OA\Property(
            property: 'said',
            description: 'what was said of it, the last first',
            type: 'array',
            items: new OA\Items(
                required: ['state', 'reason', 'by', 'at'],
                type: 'object',
                properties: [
                    new OA\Property(property: 'state', type: 'string'),
                    new OA\Property(property: 'reason', type: 'string', nullable: true),
                    new OA\Property(property: 'by', type: 'string'),
                    new OA\Property(property: 'at', type: 'string'),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'JointShort',
    required: [
        'id',
        'number',
        'chainage_m',
        'state',
        'verdict',
        'done',
        'total',
        'next_step', 'next_title',
        'clocks',
        'left_face',
        'replaces_id',
        'pipes',
        'headline',
        'place',
        'host_id',
        'procedure_hash',
    ],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'state', type: 'string', enum: ['planned', 'begun', 'made', 'accepted', 'cut-out']),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'done', type: 'integer'),
        new OA\Property(property: 'total', type: 'integer'),
        new OA\Property(property: 'next_step', type: 'string', nullable: true),
        new OA\Property(property: 'next_title', description: 'of a joint that was begun', type: 'string', nullable: true),
        new OA\Property(property: 'clocks', type: 'array', nullable: true, items: new OA\Items(ref: '#/components/schemas/Clock')),
        new OA\Property(property: 'left_face', type: 'boolean', description: 'the crew has moved on from it'),
        new OA\Property(property: 'replaces_id', type: 'string', nullable: true),
        new OA\Property(property: 'pulled_apart', description: 'of one that is cut out: no pipe was cut', type: 'boolean'),
        new OA\Property(
            property: 'pipes',
            type: 'object',
            nullable: true,
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
        new OA\Property(property: 'headline', type: 'string', nullable: true),
        new OA\Property(property: 'place', type: 'string', enum: ['in-line', 'on-pipe', 'restraint']),
        new OA\Property(
            property: 'host_id',
            description: 'the joint whose pipe end a restraint is fused on',
            type: 'string',
            nullable: true,
        ),
        new OA\Property(property: 'procedure_hash', description: 'null: the procedure of the line', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'NewJoint',
    required: ['procedure_hash'],
    properties: [
        new OA\Property(property: 'procedure_hash', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'pipe', description: 'number of the pipe it sits on', type: 'string'),
        new OA\Property(property: 'host_id', description: 'restraints: the joint whose pipe ends they are fused on', type: 'string'),
        new OA\Property(property: 'count', description: 'restraints on each end', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'Photo',
    required: ['id', 'step', 'taken_at', 'width', 'height', 'late', 'by'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'taken_at', type: 'string'),
        new OA\Property(property: 'width', type: 'integer'),
        new OA\Property(property: 'height', type: 'integer'),
        new OA\Property(property: 'late', description: 'it came in after the seal or the cut-out', type: 'boolean'),
        new OA\Property(property: 'by', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'StoreKind',
    required: ['kind', 'title', 'plural', 'named', 'note', 'fields'],
    properties: [
        new OA\Property(property: 'kind', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'plural', type: 'string'),
        new OA\Property(property: 'named', type: 'string'),
        new OA\Property(property: 'note', type: 'string'),
        new OA\Property(property: 'fields', type: 'array', items: new OA\Items(type: 'object', additionalProperties: true)),
    ],
)]
#[OA\Schema(
    schema: 'StoreItem',
    required: ['id', 'project_id', 'thing_id', 'kind', 'name', 'values', 'snapshot', 'verdict', 'reasons', 'by', 'at', 'retired'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'project_id', type: 'integer'),
        new OA\Property(property: 'thing_id', type: 'string'),
        new OA\Property(property: 'kind', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'values', type: 'object', additionalProperties: true),
        new OA\Property(property: 'snapshot', description: 'as a fact carries it', type: 'object', additionalProperties: true),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(ref: '#/components/schemas/Reason')),
        new OA\Property(property: 'summary', type: 'string', nullable: true),
        new OA\Property(property: 'by', type: 'string'),
        new OA\Property(property: 'at', type: 'string'),
        new OA\Property(property: 'supersedes', type: 'string', nullable: true),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(property: 'retired', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'NewStoreItem',
    required: ['id', 'project_id', 'kind', 'name', 'values'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'project_id', type: 'integer'),
        new OA\Property(property: 'kind', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'values', type: 'object', additionalProperties: true),
        new OA\Property(property: 'supersedes', type: 'string', nullable: true),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(property: 'retired', type: 'boolean'),
    ],
)]
#[OA\Schema(schema: 'Verdict', type: 'string', enum: ['good', 'close', 'bad', 'open'])]
#[OA\Schema(
    schema: 'TestShort',
    required: ['id', 'number', 'state', 'verdict'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'integer'),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'sealed_at', type: 'string', nullable: true),
        new OA\Property(property: 'headline', type: 'string', nullable: true),
        new OA\Property(
            property: 'asked_kpa',
            description: 'what its section asks for since then, where that is more than it was pumped for',
            type: 'number',
            nullable: true,
        ),
    ],
)]
#[OA\Schema(
    schema: 'SectionShort',
    required: ['id', 'name', 'from_m', 'to_m', 'tests'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'to_m', type: 'number'),
        new OA\Property(property: 'method', type: 'string'),
        new OA\Property(property: 'tests', type: 'array', items: new OA\Items(ref: '#/components/schemas/TestShort')),
    ],
)]
#[OA\Schema(
    schema: 'LineHead',
    required: ['id', 'name', 'service', 'project', 'practice', 'pipe', 'length_m', 'start_m', 'archived'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'service', type: 'string', enum: ['water', 'sewer', 'gas']),
        new OA\Property(property: 'project', type: 'string'),
        new OA\Property(property: 'practice', description: 'its project is one of practice', type: 'boolean'),
        new OA\Property(property: 'pipe', ref: '#/components/schemas/Pipe'),
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'archived', description: 'out of the lists', type: 'boolean'),
        new OA\Property(property: 'start_m', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'JointCounts',
    description: 'of the joints that stand: what is cut out does not count',
    required: ['total', 'begun', 'made', 'accepted', 'bad'],
    properties: [
        new OA\Property(property: 'total', type: 'integer'),
        new OA\Property(property: 'begun', description: 'and further', type: 'integer'),
        new OA\Property(property: 'made', description: 'and further', type: 'integer'),
        new OA\Property(property: 'accepted', type: 'integer'),
        new OA\Property(property: 'bad', type: 'integer'),
    ],
)]
#[OA\Schema(
    schema: 'LinePart',
    description: 'one of 60 equal parts of a line; parts without joints are left out',
    required: ['at'],
    allOf: [new OA\Schema(ref: '#/components/schemas/JointCounts')],
    properties: [new OA\Property(property: 'at', description: 'from 0, at the beginning of the line', type: 'integer')],
)]
#[OA\Schema(
    schema: 'LineShort',
    required: ['joints', 'parts', 'sections'],
    allOf: [new OA\Schema(ref: '#/components/schemas/LineHead')],
    properties: [
        new OA\Property(property: 'joints', ref: '#/components/schemas/JointCounts'),
        new OA\Property(property: 'parts', type: 'array', items: new OA\Items(ref: '#/components/schemas/LinePart')),
        new OA\Property(
            property: 'sections',
            required: ['total', 'good'],
            type: 'object',
            properties: [
                new OA\Property(property: 'total', type: 'integer'),
                new OA\Property(property: 'good', description: 'tested and signed', type: 'integer'),
            ],
        ),
    ],
)]
#[OA\Schema(
    schema: 'LineFull',
    required: [
        'project_id', 'role', 'time_zone', 'design_bar', 'mdp_bar', 'pipe_length_m', 'centre_line', 'procedure',
        'joints', 'sections', 'stretches', 'changes',
    ],
    allOf: [new OA\Schema(ref: '#/components/schemas/LineHead')],
    properties: [
        new OA\Property(property: 'joints', type: 'array', items: new OA\Items(ref: '#/components/schemas/JointShort')),
        new OA\Property(property: 'sections', type: 'array', items: new OA\Items(ref: '#/components/schemas/SectionShort')),
        new OA\Property(property: 'stretches', type: 'array', items: new OA\Items(ref: '#/components/schemas/StretchShort')),
        new OA\Property(
            property: 'changes',
            description: 'what was changed since it was made, each a seal in its chain',
            type: 'array',
            items: new OA\Items(
                required: ['at', 'by', 'reason', 'said'],
                properties: [
                    new OA\Property(property: 'at', type: 'string'),
                    new OA\Property(property: 'by', type: 'string'),
                    new OA\Property(property: 'reason', type: 'string'),
                    new OA\Property(property: 'said', type: 'string'),
                ],
            ),
        ),
        new OA\Property(property: 'project_id', type: 'integer'),
        new OA\Property(property: 'role', type: 'string', enum: ['joiner', 'foreman', 'inspector', 'engineer']),
        new OA\Property(property: 'time_zone', type: 'string'),
        new OA\Property(property: 'design_bar', type: 'number'),
        new OA\Property(property: 'mdp_bar', type: 'number'),
        new OA\Property(property: 'pipe_length_m', type: 'number'),
        new OA\Property(
            property: 'centre_line',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
        ),
        new OA\Property(
            property: 'procedure',
            required: ['hash', 'title', 'key', 'version'],
            type: 'object',
            properties: [
                new OA\Property(property: 'hash', type: 'string'),
                new OA\Property(property: 'title', type: 'string'),
                new OA\Property(property: 'key', type: 'string'),
                new OA\Property(property: 'version', type: 'string'),
            ],
        ),
    ],
)]
#[OA\Schema(
    schema: 'NewSection',
    required: ['name', 'from_m', 'to_m', 'method_hash'],
    properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'to_m', type: 'number'),
        new OA\Property(property: 'method_hash', type: 'string'),
        new OA\Property(property: 'gauge_m', type: 'number'),
        new OA\Property(property: 'stp_method', type: 'string', enum: ['en805-surge-calculated', 'en805-surge-assumed', 'factor']),
        new OA\Property(property: 'water_c', type: 'number'),
        new OA\Property(property: 'fill_l_s', type: 'number'),
        new OA\Property(property: 'pipe_max_bar', type: 'number', nullable: true),
        new OA\Property(property: 'factor', type: 'number'),
    ],
)]
#[OA\Schema(
    schema: 'NewLine',
    required: [
        'project_id',
        'name',
        'service',
        'material',
        'design_bar',
        'mdp_bar',
        'pipe_length_m',
        'procedure_hash',
        'centre_line',
        'sections',
    ],
    properties: [
        new OA\Property(
            property: 'begun_on',
            description: 'the day on which work begins, as 2026-05-04; left out: today at the place',
            type: 'string',
            nullable: true,
        ),
        new OA\Property(property: 'project_id', type: 'integer'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'service', type: 'string', enum: ['water', 'sewer', 'gas']),
        new OA\Property(
            property: 'material',
            type: 'string',
            enum: ['PE100', 'PVC-U', 'Ductile iron', 'GRP', 'Concrete', 'Corrugated PE', 'Steel', 'Asbestos cement', 'Composite'],
        ),
        new OA\Property(property: 'series', type: 'string', enum: ['metric', 'ips', 'dips', 'dn', 'dn-od', 'in-od']),
        new OA\Property(property: 'nominal', description: 'mm (metric), DN, or inch, as the series', type: 'number'),
        new OA\Property(property: 'dn_mm', description: 'or this, in the metric series', type: 'number'),
        new OA\Property(property: 'sdr', description: 'this or wall_mm; of iron neither: its usual class', type: 'number'),
        new OA\Property(property: 'wall_mm', type: 'number'),
        new OA\Property(property: 'od_mm', description: 'outside diameter, where no table of the series has it', type: 'number'),
        new OA\Property(property: 'design_bar', type: 'number'),
        new OA\Property(property: 'mdp_bar', type: 'number'),
        new OA\Property(property: 'pipe_length_m', type: 'number'),
        new OA\Property(property: 'procedure_hash', type: 'string'),
        new OA\Property(
            property: 'centre_line',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
        ),
        new OA\Property(property: 'sections', type: 'array', items: new OA\Items(ref: '#/components/schemas/NewSection')),
    ],
)]
#[OA\Schema(
    schema: 'Limit',
    required: ['label', 'value', 'source', 'certainty'],
    properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'label', type: 'string'),
        new OA\Property(property: 'value', oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]),
        new OA\Property(property: 'shown', type: 'string', nullable: true),
        new OA\Property(property: 'source', type: 'string'),
        new OA\Property(property: 'certainty', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'Reason',
    required: ['verdict', 'text', 'do', 'limit'],
    properties: [
        new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'text', type: 'string'),
        new OA\Property(property: 'do', type: 'string'),
        new OA\Property(property: 'limit', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/Limit')]),
    ],
)]
#[OA\Schema(
    schema: 'StepState',
    required: [
        'key',
        'id',
        'side',
        'kind',
        'title',
        'status',
        'stage',
        'verdict',
        'optional',
        'locked',
        'lock',
        'needs_good',
        'opens_at',
        'cautions',
        'figure',
        'again',
        'entry',
        'suggested',
        'scanned',
        'usual',
        'limits',
        'summary',
        'guide',
        'reasons',
        'results',
        'device',
        'model',
        'fact_id',
    ],
    properties: [
        new OA\Property(property: 'key', type: 'string'),
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'side', type: 'string', nullable: true),
        new OA\Property(property: 'kind', type: 'string'),
        new OA\Property(
            property: 'stage',
            description: 'which part of the work it belongs to; null where its text does not say it',
            type: 'string',
            nullable: true,
            enum: ['look', 'prepare', 'join', 'fuse', 'wait', 'test', 'accept'],
        ),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'status', type: 'string', enum: ['todo', 'running', 'done']),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'optional', type: 'boolean'),
        new OA\Property(
            property: 'lock',
            type: 'object',
            nullable: true,
            description: 'why it cannot be done now',
            required: ['code', 'protects', 'waits'],
            properties: [
                new OA\Property(property: 'code', type: 'string', enum: ['needs-good', 'after', 'unreadable', 'too-early']),
                new OA\Property(
                    property: 'waits',
                    type: 'array',
                    description: 'all steps that it waits for, the first one that of the sentence',
                    items: new OA\Items(
                        required: ['step', 'code', 'text'],
                        properties: [
                            new OA\Property(property: 'step', type: 'string'),
                            new OA\Property(property: 'code', type: 'string', enum: ['needs-good', 'after']),
                            new OA\Property(property: 'text', type: 'string'),
                        ],
                        type: 'object',
                    ),
                ),
                new OA\Property(property: 'protects', type: 'boolean', description: 'it keeps people from harm'),
            ],
        ),
        new OA\Property(
            property: 'entry',
            type: 'object',
            nullable: true,
            additionalProperties: true,
            description: 'what a page must know to take the fact: of bolts the plan and the kind of wrench',
        ),
        new OA\Property(
            property: 'needs_good',
            type: 'array',
            items: new OA\Items(type: 'string'),
            description: 'keys of the steps that must be good before',
        ),
        new OA\Property(property: 'locked', type: 'string', nullable: true),
        new OA\Property(property: 'summary', type: 'string', nullable: true),
        new OA\Property(property: 'guide', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(ref: '#/components/schemas/Reason')),
        new OA\Property(
            property: 'findings',
            description: 'what was found of it that judges nothing, and what may be done about it',
            type: 'array',
            items: new OA\Items(
                required: ['text', 'do'],
                properties: [new OA\Property(property: 'text', type: 'string'), new OA\Property(property: 'do', type: 'string')],
            ),
        ),
        new OA\Property(property: 'results', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'object')),
        new OA\Property(property: 'opens_at', description: 'the time before which it must not be done', type: 'string', nullable: true),
        new OA\Property(property: 'cautions', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(
            property: 'figure',
            description: 'a drawing: its shape and what it shows',
            type: 'object',
            nullable: true,
            additionalProperties: true,
        ),
        new OA\Property(property: 'again', description: 'done, and by permit it may be done once more', type: 'boolean'),
        new OA\Property(
            property: 'model',
            description: 'a calculation that shows what happens inside the joint, with what is known of its inputs',
            type: 'object',
            nullable: true,
            required: ['calc', 'in'],
            properties: [
                new OA\Property(property: 'calc', type: 'string'),
                new OA\Property(property: 'in', type: 'object', additionalProperties: true),
            ],
        ),
        new OA\Property(
            property: 'live',
            description: 'a calculation that says what to do while the device records, with what is known of its other inputs',
            type: 'object',
            nullable: true,
            required: ['calc', 'series', 'in'],
            properties: [
                new OA\Property(property: 'calc', type: 'string'),
                new OA\Property(property: 'series', description: 'its input that takes the readings', type: 'string'),
                new OA\Property(property: 'in', type: 'object', additionalProperties: true),
            ],
        ),
        new OA\Property(
            property: 'suggested',
            description: 'by field: what is known already and filled in',
            type: 'object',
            additionalProperties: true,
        ),
        new OA\Property(
            property: 'scanned',
            description: 'by field: what a scanned code says of it',
            type: 'object',
            additionalProperties: true,
        ),
        new OA\Property(
            property: 'limits',
            description: 'what it is going to be held against',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Limit'),
        ),
        new OA\Property(
            property: 'usual',
            description: 'by field: between what its figure usually lies; outside it is asked about before it is recorded',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/Usual'),
        ),
        new OA\Property(
            property: 'device',
            description: 'what the device of this step must be told, by unit-named key',
            type: 'object',
            nullable: true,
            additionalProperties: true,
        ),
        new OA\Property(property: 'fact_id', type: 'string', nullable: true),
        new OA\Property(property: 'by', type: 'string', nullable: true),
        new OA\Property(property: 'at', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'Offer',
    required: ['step', 'value', 'of', 'recorded_at', 'within_min', 'same_step', 'same_field', 'same'],
    properties: [
        new OA\Property(property: 'step', description: 'key of the step that may take it over', type: 'string'),
        new OA\Property(property: 'value', description: 'as it is stored', type: 'object', additionalProperties: true),
        new OA\Property(property: 'of', description: 'how people call the joint that has recorded it', type: 'string'),
        new OA\Property(property: 'recorded_at', type: 'string'),
        new OA\Property(property: 'within_min', description: 'how long it holds', type: 'number', nullable: true),
        new OA\Property(
            property: 'same_step',
            description: 'it holds while this is the same at both joints',
            type: 'string',
            nullable: true,
        ),
        new OA\Property(property: 'same_field', type: 'string', nullable: true),
        new OA\Property(property: 'same', description: 'what that is at the other joint'),
    ],
)]
#[OA\Schema(
    schema: 'WaitingRow',
    required: ['what', 'kind', 'id', 'name', 'line_id', 'line', 'step', 'text', 'at', 'time_zone', 'practice'],
    properties: [
        new OA\Property(property: 'what', type: 'string', enum: ['bad', 'decide', 'sign', 'clock', 'go-on']),
        new OA\Property(property: 'kind', type: 'string', enum: ['joint', 'test', 'stretch']),
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', description: 'how people call it', type: 'string'),
        new OA\Property(property: 'line_id', type: 'string'),
        new OA\Property(property: 'line', type: 'string'),
        new OA\Property(property: 'step', description: 'what comes next there', type: 'string'),
        new OA\Property(property: 'text', description: 'why it is bad', type: 'string'),
        new OA\Property(property: 'at', description: 'when its waiting is over', type: 'string', nullable: true),
        new OA\Property(property: 'time_zone', type: 'string'),
        new OA\Property(property: 'practice', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'NearPipe',
    required: ['number', 'serial', 'length_m', 'source', 'state', 'reason', 'came_with'],
    properties: [
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'serial', type: 'string', nullable: true),
        new OA\Property(property: 'length_m', type: 'number', nullable: true),
        new OA\Property(property: 'source', type: 'string', nullable: true),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(
            property: 'came_with',
            required: ['id', 'name'],
            properties: [new OA\Property(property: 'id', type: 'string'), new OA\Property(property: 'name', type: 'string')],
            type: 'object',
            nullable: true,
        ),
    ],
)]
#[OA\Schema(
    schema: 'NearJoint',
    required: [
        'id', 'number', 'name', 'chainage_m', 'distance_m', 'state', 'verdict', 'covered_at', 'signed_by', 'procedure', 'made_by',
        'made_on', 'told', 'pipes',
    ],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'distance_m', description: 'along the line: minus lies before the place', type: 'number'),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'covered_at', type: 'string', nullable: true),
        new OA\Property(property: 'signed_by', type: 'string', nullable: true),
        new OA\Property(property: 'procedure', type: 'string'),
        new OA\Property(property: 'made_by', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'made_on', description: 'day at the place', type: 'string', nullable: true),
        new OA\Property(
            property: 'told',
            description: 'what its procedure puts into the register',
            type: 'array',
            items: new OA\Items(
                required: ['label', 'text'],
                properties: [new OA\Property(property: 'label', type: 'string'), new OA\Property(property: 'text', type: 'string')],
            ),
        ),
        new OA\Property(
            property: 'pipes',
            required: ['a', 'b'],
            properties: [
                new OA\Property(property: 'a', ref: '#/components/schemas/NearPipe', nullable: true),
                new OA\Property(property: 'b', ref: '#/components/schemas/NearPipe', nullable: true),
            ],
            type: 'object',
        ),
    ],
)]
#[OA\Schema(
    schema: 'Near',
    required: ['at_m', 'off_m', 'place', 'joints', 'sections', 'records'],
    properties: [
        new OA\Property(property: 'at_m', type: 'number'),
        new OA\Property(property: 'off_m', description: 'of a point: from the line, plus to the right', type: 'number', nullable: true),
        new OA\Property(property: 'place', description: 'easting, northing, level', type: 'array', items: new OA\Items(type: 'number')),
        new OA\Property(property: 'joints', type: 'array', items: new OA\Items(ref: '#/components/schemas/NearJoint')),
        new OA\Property(
            property: 'sections',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'name', 'from_m', 'to_m', 'tests'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'from_m', type: 'number'),
                    new OA\Property(property: 'to_m', type: 'number'),
                    new OA\Property(
                        property: 'tests',
                        type: 'array',
                        items: new OA\Items(
                            required: ['id', 'number', 'state', 'verdict', 'sealed_at'],
                            properties: [
                                new OA\Property(property: 'id', type: 'string'),
                                new OA\Property(property: 'number', type: 'integer'),
                                new OA\Property(property: 'state', type: 'string'),
                                new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
                                new OA\Property(property: 'sealed_at', type: 'string', nullable: true),
                                new OA\Property(property: 'asked_kpa', type: 'number', nullable: true),
                            ],
                        ),
                    ),
                ],
            ),
        ),
        new OA\Property(
            property: 'records',
            description: 'of the stretch, and of the days on which its joints were made',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'name', 'of', 'state', 'verdict'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'of', type: 'string'),
                    new OA\Property(property: 'state', type: 'string'),
                    new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'Found',
    required: ['kind', 'id', 'name', 'of'],
    properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['line', 'joint', 'pipe', 'thing', 'procedure']),
        new OA\Property(property: 'id', description: 'of a pipe: that of its line', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'of', description: 'its line or project; of a procedure its version', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'ProjectPeople',
    required: ['id', 'name', 'place', 'client', 'contractor', 'accepts_own_work', 'practice', 'people'],
    properties: [
        new OA\Property(property: 'id', type: 'integer'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'place', type: 'string'),
        new OA\Property(property: 'client', description: 'for whom it is built; empty: nobody has said it', type: 'string'),
        new OA\Property(property: 'contractor', description: 'who builds it; empty: nobody has said it', type: 'string'),
        new OA\Property(
            property: 'accepts_own_work',
            description: 'who made a joint alone may accept it; the record says so',
            type: 'boolean',
        ),
        new OA\Property(property: 'practice', type: 'boolean'),
        new OA\Property(
            property: 'people',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'name', 'role'],
                properties: [
                    new OA\Property(property: 'id', type: 'integer'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'role', type: 'string', enum: ['joiner', 'foreman', 'inspector', 'engineer']),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'TriedProcedure',
    required: ['steps', 'tried'],
    properties: [
        new OA\Property(property: 'steps', description: 'how many it has', type: 'integer'),
        new OA\Property(
            property: 'tried',
            description: 'what it says of the joint, where one was named',
            required: ['joint', 'was', 'now', 'done', 'total', 'differs'],
            properties: [
                new OA\Property(property: 'joint', type: 'string'),
                new OA\Property(property: 'was', ref: '#/components/schemas/Verdict'),
                new OA\Property(property: 'now', ref: '#/components/schemas/Verdict'),
                new OA\Property(property: 'done', type: 'integer'),
                new OA\Property(property: 'total', type: 'integer'),
                new OA\Property(
                    property: 'differs',
                    type: 'array',
                    items: new OA\Items(
                        required: ['key', 'title', 'was', 'now', 'text'],
                        properties: [
                            new OA\Property(property: 'key', type: 'string'),
                            new OA\Property(property: 'title', type: 'string'),
                            new OA\Property(property: 'was', description: 'null: the step is new', type: 'string', nullable: true),
                            new OA\Property(property: 'now', description: 'null: the step is left out', type: 'string', nullable: true),
                            new OA\Property(property: 'text', type: 'string', nullable: true),
                        ],
                    ),
                ),
            ],
            type: 'object',
            nullable: true,
        ),
    ],
)]
#[OA\Schema(
    schema: 'Usual',
    required: ['near', 'low', 'high', 'whole', 'slips'],
    properties: [
        new OA\Property(property: 'whole', description: 'it is read in whole units', type: 'boolean'),
        new OA\Property(property: 'near', description: 'what is expected, in the unit of the field', type: 'number', nullable: true),
        new OA\Property(property: 'low', description: 'in the unit of the field', type: 'number', nullable: true),
        new OA\Property(property: 'high', description: 'in the unit of the field', type: 'number', nullable: true),
        new OA\Property(
            property: 'slips',
            description: 'how such a figure goes wrong: meant = offset + factor × typed',
            type: 'array',
            items: new OA\Items(
                required: ['factor', 'offset', 'why', 'unit'],
                type: 'object',
                properties: [
                    new OA\Property(property: 'factor', type: 'number'),
                    new OA\Property(property: 'offset', type: 'number'),
                    new OA\Property(property: 'why', type: 'string', enum: ['round', 'unit', 'point']),
                    new OA\Property(property: 'unit', description: 'its symbol', type: 'string', nullable: true),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'Judgement',
    required: [
        'verdict',
        'done',
        'total',
        'next',
        'ready_for_signature',
        'steps',
        'reasons',
        'replaced',
        'clocks',
        'left_face',
        'tag',
        'procedure',
        'judged_at',
    ],
    properties: [
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'done', type: 'integer'),
        new OA\Property(property: 'total', type: 'integer'),
        new OA\Property(property: 'next', type: 'string', nullable: true),
        new OA\Property(property: 'ready_for_signature', type: 'boolean'),
        new OA\Property(property: 'steps', type: 'array', items: new OA\Items(ref: '#/components/schemas/StepState')),
        new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(ref: '#/components/schemas/Reason')),
        new OA\Property(property: 'replaced', type: 'array', items: new OA\Items(ref: '#/components/schemas/Replaced')),
        new OA\Property(property: 'clocks', type: 'array', items: new OA\Items(ref: '#/components/schemas/Clock')),
        new OA\Property(property: 'left_face', type: 'boolean'),
        new OA\Property(
            property: 'tag',
            required: ['head', 'lines'],
            type: 'object',
            properties: [
                new OA\Property(property: 'head', ref: '#/components/schemas/TagLine', nullable: true),
                new OA\Property(property: 'lines', type: 'array', items: new OA\Items(ref: '#/components/schemas/TagLine')),
            ],
        ),
        new OA\Property(property: 'procedure', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
        new OA\Property(property: 'judged_at', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'Replaced',
    description: 'an entry that was superseded, and how its step stood when it was',
    required: ['fact_id', 'replaced_by', 'step', 'title', 'verdict', 'text'],
    properties: [
        new OA\Property(property: 'fact_id', type: 'string'),
        new OA\Property(property: 'replaced_by', description: 'the fact that took its place; the reason stands there', type: 'string'),
        new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'text', description: 'the worst that was said of it', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'Fact',
    required: ['id', 'seq', 'step', 'value', 'recorded_at', 'by', 'role', 'supersedes', 'reason'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'seq', type: 'integer'),
        new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'value', type: 'object', additionalProperties: true),
        new OA\Property(
            property: 'typed',
            description: 'as it was typed, where that is not the stored value: another unit\'s key, or text with its unit',
            type: 'object',
            additionalProperties: true,
        ),
        new OA\Property(property: 'recorded_at', type: 'string'),
        new OA\Property(property: 'by', type: 'string'),
        new OA\Property(property: 'role', type: 'string'),
        new OA\Property(property: 'supersedes', type: 'string', nullable: true),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(
            property: 'clock_off_s',
            description: 'by how much the clock of the device was ahead; the time is corrected by it',
            type: 'integer',
            nullable: true,
        ),
    ],
)]
#[OA\Schema(
    schema: 'NewFact',
    required: ['id', 'step', 'value', 'recorded_at'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'step', type: 'string'),
        new OA\Property(property: 'value', type: 'object', additionalProperties: true),
        new OA\Property(property: 'recorded_at', type: 'string'),
        new OA\Property(property: 'supersedes', type: 'string', nullable: true),
        new OA\Property(property: 'reason', type: 'string', nullable: true),
        new OA\Property(property: 'device', description: 'on which it was recorded', type: 'string', nullable: true),
        new OA\Property(
            property: 'procedure',
            description: 'hash of the text that the device showed: a joint that was begun by it goes on by it',
            type: 'string',
            nullable: true,
        ),
        new OA\Property(
            property: 'clock_off_s',
            description: 'by how much the clock of the device is ahead, where its times are corrected by that already',
            type: 'integer',
            nullable: true,
        ),
        new OA\Property(
            property: 'password',
            description: 'of who signs, where the signature seals; checked and not kept',
            type: 'string',
            nullable: true,
        ),
    ],
)]
#[OA\Schema(
    schema: 'Subject',
    required: [
        'kind', 'id', 'name', 'state', 'number', 'context', 'judgement', 'offers', 'facts', 'photos', 'procedure_hash', 'line', 'closed',
    ],
    properties: [
        new OA\Property(
            property: 'offers',
            description: 'what other joints have recorded and this one may take over, the newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Offer'),
        ),
        new OA\Property(
            property: 'batches',
            description: 'what came with the deliveries of the line and was right, where a step asks for a batch',
            type: 'array',
            items: new OA\Items(
                required: ['what', 'batch', 'of'],
                properties: [
                    new OA\Property(property: 'what', type: 'string'),
                    new OA\Property(property: 'batch', type: 'string'),
                    new OA\Property(property: 'of', description: 'name of the delivery', type: 'string'),
                ],
            ),
        ),
        new OA\Property(
            property: 'planned',
            description: 'of a joint: what the laying plan asks of it, degrees and metres',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
            nullable: true,
        ),
        new OA\Property(
            property: 'contested',
            description: 'readings that are kept beside the record until somebody decides which counts',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'step', 'title', 'said', 'by', 'recorded_at', 'why', 'counts', 'decided_by', 'reason'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'step', type: 'string'),
                    new OA\Property(property: 'title', type: 'string'),
                    new OA\Property(property: 'said', type: 'string'),
                    new OA\Property(property: 'by', type: 'string'),
                    new OA\Property(property: 'recorded_at', type: 'string'),
                    new OA\Property(property: 'why', type: 'string'),
                    new OA\Property(property: 'counts', type: 'boolean', nullable: true),
                    new OA\Property(property: 'decided_by', type: 'string', nullable: true),
                    new OA\Property(property: 'reason', type: 'string', nullable: true),
                ],
            ),
        ),
        new OA\Property(
            property: 'own_work',
            description: 'who reads it made it alone; null: somebody else had a hand in it',
            type: 'object',
            nullable: true,
            required: ['text', 'may_seal'],
            properties: [
                new OA\Property(property: 'text', type: 'string'),
                new OA\Property(property: 'may_seal', type: 'boolean'),
            ],
        ),
        new OA\Property(property: 'photos', type: 'array', items: new OA\Items(ref: '#/components/schemas/Photo')),
        new OA\Property(property: 'place', type: 'string'),
        new OA\Property(property: 'host', ref: '#/components/schemas/JointName', nullable: true),
        new OA\Property(
            property: 'attached',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'number', 'side', 'state', 'verdict', 'free_from'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'number', type: 'string'),
                    new OA\Property(property: 'side', type: 'string'),
                    new OA\Property(property: 'state', type: 'string'),
                    new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
                    new OA\Property(property: 'free_from', type: 'string', nullable: true),
                ],
            ),
        ),
        new OA\Property(property: 'kind', type: 'string', enum: ['joint', 'test', 'stretch']),
        new OA\Property(property: 'name', description: 'how people call it', type: 'string'),
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(
            property: 'asked_kpa',
            description: 'of a test: what its section asks for since then, where that is more than it is pumped for',
            type: 'number',
            nullable: true,
        ),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'to_m', type: 'number', nullable: true),
        new OA\Property(property: 'judgement', ref: '#/components/schemas/Judgement'),
        new OA\Property(property: 'facts', type: 'array', items: new OA\Items(ref: '#/components/schemas/Fact')),
        new OA\Property(property: 'procedure_hash', type: 'string'),
        new OA\Property(
            property: 'line',
            required: ['id', 'project_id', 'name', 'service', 'time_zone', 'practice'],
            type: 'object',
            properties: [
                new OA\Property(property: 'project_id', type: 'integer'),
                new OA\Property(property: 'id', type: 'string'),
                new OA\Property(property: 'name', type: 'string'),
                new OA\Property(property: 'service', type: 'string'),
                new OA\Property(property: 'time_zone', type: 'string'),
                new OA\Property(property: 'practice', description: 'its project is one of practice', type: 'boolean'),
            ],
        ),
        new OA\Property(property: 'closed', type: 'string', nullable: true),
        new OA\Property(property: 'cut_out_reason', type: 'string', nullable: true),
        new OA\Property(property: 'covered_at', description: 'of a joint: since when nobody sees it', type: 'string', nullable: true),
        new OA\Property(property: 'covering_id', description: 'in which record that stands', type: 'string', nullable: true),
        new OA\Property(property: 'bare_at', description: 'of a joint: since when it lies bare again', type: 'string', nullable: true),
        new OA\Property(property: 'opening_id', description: 'in which record that stands', type: 'string', nullable: true),
        new OA\Property(property: 'pulled_apart', type: 'boolean'),
        new OA\Property(
            property: 'pipes',
            type: 'object',
            nullable: true,
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
        new OA\Property(
            property: 'seal',
            type: 'object',
            nullable: true,
            required: ['hash', 'previous', 'sealed_at', 'verdict', 'public_key', 'alone', 'broken'],
            properties: [
                new OA\Property(property: 'hash', type: 'string'),
                new OA\Property(property: 'previous', type: 'string'),
                new OA\Property(property: 'sealed_at', type: 'string'),
                new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
                new OA\Property(property: 'public_key', description: 'null: an older seal, not signed', type: 'string', nullable: true),
                new OA\Property(
                    property: 'alone',
                    description: 'that who accepted it made it alone; null: somebody else had a hand in it',
                    type: 'string',
                    nullable: true,
                ),
                new OA\Property(
                    property: 'broken',
                    description: 'what is not any more as it was sealed',
                    type: 'array',
                    items: new OA\Items(type: 'string'),
                ),
            ],
        ),
        new OA\Property(property: 'replaces', ref: '#/components/schemas/JointName', nullable: true),
        new OA\Property(property: 'replaced_by', type: 'array', items: new OA\Items(ref: '#/components/schemas/JointName')),
        new OA\Property(property: 'context', type: 'object', additionalProperties: true),
        new OA\Property(property: 'pack_is_long', description: 'of a test: its pack is made in the background', type: 'boolean'),
        new OA\Property(
            property: 'section',
            type: 'object',
            properties: [
                new OA\Property(property: 'id', type: 'string'),
                new OA\Property(property: 'name', type: 'string'),
                new OA\Property(property: 'from_m', type: 'number'),
                new OA\Property(property: 'to_m', type: 'number'),
            ],
        ),
    ],
)]
#[OA\Schema(
    schema: 'LogEntry',
    required: ['at', 'by', 'kind', 'id', 'name', 'title', 'again'],
    properties: [
        new OA\Property(property: 'at', type: 'string'),
        new OA\Property(property: 'by', type: 'string'),
        new OA\Property(property: 'kind', type: 'string', enum: ['joint', 'test', 'stretch']),
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'again', description: 'it supersedes an earlier entry', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'JointName',
    required: ['id', 'number'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'number', type: 'string'),
        new OA\Property(property: 'pulled_apart', description: 'of one that was replaced', type: 'boolean'),
    ],
)]
#[OA\Schema(
    schema: 'Recorded',
    required: ['judgement', 'state', 'stored', 'fact', 'facts', 'closed', 'line_id', 'rows'],
    properties: [
        new OA\Property(property: 'judgement', ref: '#/components/schemas/Judgement'),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'stored', type: 'boolean'),
        new OA\Property(property: 'fact', ref: '#/components/schemas/Fact'),
        new OA\Property(
            property: 'facts',
            type: 'integer',
            description: 'how many there are now: a page that knows fewer reads them anew',
        ),
        new OA\Property(property: 'closed', type: 'string', nullable: true),
        new OA\Property(property: 'line_id', type: 'string'),
        new OA\Property(
            property: 'rows',
            type: 'array',
            description: 'what now stands otherwise in the lists of the line',
            items: new OA\Items(
                oneOf: [new OA\Schema(ref: '#/components/schemas/JointShort'), new OA\Schema(ref: '#/components/schemas/TestShort')],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'SectionPreview',
    required: ['name', 'plan', 'fault'],
    properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(
            property: 'plan',
            description: 'null: not enough is said of it yet, or it cannot be',
            nullable: true,
            oneOf: [new OA\Schema(ref: '#/components/schemas/Plan')],
        ),
        new OA\Property(property: 'fault', description: 'why it cannot be', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(
    schema: 'LinePreview',
    required: [
        'length_m',
        'start_m',
        'pipes',
        'last_pipe_m',
        'joints',
        'size',
        'od_mm',
        'wall_mm',
        'other_lengths',
        'centre_line',
        'sections',
    ],
    properties: [
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'start_m', type: 'number'),
        new OA\Property(property: 'pipes', type: 'integer'),
        new OA\Property(property: 'last_pipe_m', description: 'cut to what is left', type: 'number'),
        new OA\Property(property: 'joints', description: 'chainages', type: 'array', items: new OA\Items(type: 'number')),
        new OA\Property(property: 'size', type: 'string'),
        new OA\Property(property: 'od_mm', type: 'number'),
        new OA\Property(property: 'wall_mm', type: 'number'),
        new OA\Property(
            property: 'other_lengths',
            description: 'how many joints there would be with pipes as they are sold otherwise',
            type: 'array',
            items: new OA\Items(
                required: ['pipe_length_m', 'joints'],
                properties: [
                    new OA\Property(property: 'pipe_length_m', type: 'number'),
                    new OA\Property(property: 'joints', type: 'integer'),
                ],
                type: 'object',
            ),
        ),
        new OA\Property(
            property: 'centre_line',
            description: 'chainage, easting, northing, level, m',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
        ),
        new OA\Property(
            property: 'sections',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SectionPreview'),
        ),
    ],
)]
#[OA\Schema(
    schema: 'SectionPlan',
    required: ['id', 'name', 'from_m', 'to_m', 'role', 'line', 'method', 'plan', 'joints', 'tests'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'from_m', type: 'number'),
        new OA\Property(property: 'to_m', type: 'number'),
        new OA\Property(property: 'role', type: 'string'),
        new OA\Property(
            property: 'line',
            type: 'object',
            required: ['id', 'name', 'service', 'mdp_bar', 'time_zone', 'practice'],
            properties: [
                new OA\Property(property: 'time_zone', type: 'string'),
                new OA\Property(property: 'practice', type: 'boolean'),
                new OA\Property(property: 'id', type: 'string'),
                new OA\Property(property: 'name', type: 'string'),
                new OA\Property(property: 'service', type: 'string'),
                new OA\Property(property: 'mdp_bar', type: 'number'),
            ],
        ),
        new OA\Property(
            property: 'method',
            type: 'object',
            required: ['hash', 'title', 'key'],
            properties: [
                new OA\Property(property: 'hash', type: 'string'),
                new OA\Property(property: 'title', type: 'string'),
                new OA\Property(property: 'key', type: 'string'),
            ],
        ),
        new OA\Property(
            property: 'suspects',
            description: 'after a bad test the joints to look at first, the likeliest first',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'number', 'chainage_m', 'why', 'near'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'number', type: 'string'),
                    new OA\Property(property: 'chainage_m', type: 'number'),
                    new OA\Property(
                        property: 'why',
                        type: 'array',
                        items: new OA\Items(
                            type: 'string',
                            enum: ['bad', 'open', 'repair', 'closing', 'close', 'corrected', 'last'],
                        ),
                    ),
                    new OA\Property(property: 'near', type: 'array', items: new OA\Items(type: 'string')),
                ],
            ),
        ),
        new OA\Property(property: 'plan', ref: '#/components/schemas/Plan'),
        new OA\Property(
            property: 'joints',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'number', 'chainage_m', 'state', 'verdict'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'number', type: 'string'),
                    new OA\Property(property: 'chainage_m', type: 'number'),
                    new OA\Property(property: 'state', type: 'string'),
                    new OA\Property(property: 'verdict', type: 'string'),
                ],
            ),
        ),
        new OA\Property(property: 'tests', type: 'array', items: new OA\Items(ref: '#/components/schemas/TestShort')),
    ],
)]
#[OA\Schema(
    schema: 'Person',
    required: ['id', 'name', 'email', 'is_admin', 'disabled', 'second_factor', 'seen_at', 'roles'],
    properties: [
        new OA\Property(property: 'id', type: 'integer'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'email', type: 'string'),
        new OA\Property(property: 'is_admin', type: 'boolean'),
        new OA\Property(property: 'disabled', type: 'boolean'),
        new OA\Property(property: 'second_factor', type: 'boolean'),
        new OA\Property(property: 'seen_at', type: 'string', nullable: true),
        new OA\Property(
            property: 'roles',
            type: 'array',
            items: new OA\Items(
                required: ['project_id', 'project', 'role'],
                properties: [
                    new OA\Property(property: 'project_id', type: 'integer'),
                    new OA\Property(property: 'project', type: 'string'),
                    new OA\Property(property: 'role', ref: '#/components/schemas/Role'),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(schema: 'Role', type: 'string', enum: \App\Models\Role::class)]
#[OA\Schema(
    schema: 'Organisation',
    required: ['projects', 'people', 'invitations'],
    properties: [
        new OA\Property(
            property: 'projects',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'name', 'place', 'practice', 'wants_second_factor', 'people', 'lines'],
                properties: [
                    new OA\Property(property: 'id', type: 'integer'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'place', type: 'string'),
                    new OA\Property(property: 'practice', type: 'boolean'),
                    new OA\Property(property: 'wants_second_factor', type: 'boolean'),
                    new OA\Property(property: 'people', type: 'integer'),
                    new OA\Property(property: 'lines', type: 'integer'),
                ],
            ),
        ),
        new OA\Property(property: 'people', type: 'array', items: new OA\Items(ref: '#/components/schemas/Person')),
        new OA\Property(
            property: 'invitations',
            description: 'that can still be followed',
            type: 'array',
            items: new OA\Items(
                allOf: [
                    new OA\Schema(ref: '#/components/schemas/Invitation'),
                    new OA\Schema(required: ['id'], properties: [new OA\Property(property: 'id', type: 'integer')]),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'Invitation',
    required: ['name', 'project', 'role', 'makes_admin', 'renews_password', 'invited_by', 'expires_at'],
    properties: [
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'project', type: 'string', nullable: true),
        new OA\Property(property: 'role', type: 'string', nullable: true),
        new OA\Property(property: 'makes_admin', type: 'boolean'),
        new OA\Property(property: 'renews_password', type: 'boolean'),
        new OA\Property(property: 'invited_by', type: 'string', nullable: true),
        new OA\Property(property: 'expires_at', type: 'string'),
    ],
)]
#[OA\Schema(
    schema: 'Account',
    required: ['second_factor', 'must_add_factor', 'is_admin', 'devices'],
    properties: [
        new OA\Property(property: 'second_factor', type: 'boolean'),
        new OA\Property(property: 'must_add_factor', type: 'boolean'),
        new OA\Property(property: 'is_admin', type: 'boolean'),
        new OA\Property(
            property: 'devices',
            description: 'on which one is signed in',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'here', 'address', 'program', 'seen_at'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'here', type: 'boolean'),
                    new OA\Property(property: 'address', type: 'string', nullable: true),
                    new OA\Property(property: 'program', type: 'string', nullable: true),
                    new OA\Property(property: 'seen_at', type: 'string'),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'JournalRow',
    required: ['seq', 'at', 'who', 'what', 'text', 'address'],
    properties: [
        new OA\Property(property: 'seq', type: 'integer'),
        new OA\Property(property: 'at', type: 'string'),
        new OA\Property(property: 'who', type: 'string'),
        new OA\Property(property: 'what', type: 'string'),
        new OA\Property(property: 'text', type: 'string'),
        new OA\Property(property: 'address', type: 'string', nullable: true),
    ],
)]
#[OA\Schema(schema: 'Medium', description: 'what a test fills the section with', type: 'string', enum: Medium::class)]
#[OA\Schema(
    schema: 'Plan',
    required: [
        'medium',
        'at_gauge',
        'bends',
        'draws_in_mm',
        'split',
        'stored',
        'length_m',
        'profile',
        'stp_kpa',
        'gauge',
        'heads',
        'compliance',
        'raise',
        'raise_with_air',
        'fill',
        'vents',
        'thrust',
        'earliest',
        'missing',
        'joint_count',
        'verdict',
    ],
    properties: [
        new OA\Property(property: 'medium', ref: '#/components/schemas/Medium'),
        new OA\Property(property: 'at_gauge', description: 'the method takes its pressure from here', type: 'boolean'),
        new OA\Property(
            property: 'bends',
            description: 'where the line turns by a fitting',
            type: 'array',
            items: new OA\Items(
                required: ['chainage_m', 'angle_deg', 'force_kn'],
                properties: [
                    new OA\Property(property: 'chainage_m', type: 'number'),
                    new OA\Property(property: 'angle_deg', type: 'number'),
                    new OA\Property(property: 'force_kn', type: 'number'),
                ],
            ),
        ),
        new OA\Property(
            property: 'draws_in_mm',
            description: 'by how much 100 m grow shorter under the test pressure, where joints slide',
            type: 'number',
            nullable: true,
        ),
        new OA\Property(
            property: 'split',
            description: 'where it must be cut, when its levels lie too far apart',
            type: 'object',
            nullable: true,
            required: ['max_level_range_m', 'cuts_m', 'sections'],
            properties: [
                new OA\Property(property: 'max_level_range_m', type: 'number'),
                new OA\Property(property: 'cuts_m', type: 'array', items: new OA\Items(type: 'number')),
                new OA\Property(property: 'sections', type: 'integer'),
            ],
        ),
        new OA\Property(
            property: 'stored',
            description: 'what the section full of gas holds',
            type: 'object',
            nullable: true,
            required: ['p_kpa', 'energy_mj', 'water_energy_kj', 'ratio', 'distance_m'],
            properties: [
                new OA\Property(property: 'p_kpa', type: 'number'),
                new OA\Property(property: 'energy_mj', type: 'number'),
                new OA\Property(property: 'water_energy_kj', type: 'number'),
                new OA\Property(property: 'ratio', type: 'number'),
                new OA\Property(property: 'distance_m', type: 'number'),
                new OA\Property(property: 'flag', type: 'string', enum: ['engineer-must-set']),
            ],
        ),
        new OA\Property(property: 'length_m', type: 'number'),
        new OA\Property(property: 'profile', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        new OA\Property(property: 'stp_kpa', type: 'number'),
        new OA\Property(
            property: 'gauge',
            type: 'object',
            required: [
                'gauge_m',
                'gauge_level_m',
                'min_kpa',
                'max_kpa',
                'target_kpa',
                'feasible',
                'lowest_m',
                'highest_m',
                'pipe_max_stated',
            ],
            properties: [
                new OA\Property(property: 'pipe_max_stated', type: 'boolean'),
                new OA\Property(property: 'pipe_max_kpa', type: 'number', nullable: true),
                new OA\Property(property: 'gauge_m', type: 'number'),
                new OA\Property(property: 'gauge_level_m', type: 'number'),
                new OA\Property(property: 'min_kpa', type: 'number'),
                new OA\Property(property: 'max_kpa', type: 'number'),
                new OA\Property(property: 'target_kpa', type: 'number'),
                new OA\Property(property: 'feasible', type: 'boolean'),
                new OA\Property(property: 'lowest_m', type: 'number'),
                new OA\Property(property: 'highest_m', type: 'number'),
            ],
        ),
        new OA\Property(property: 'heads', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        new OA\Property(
            property: 'compliance',
            type: 'object',
            required: ['volume_m3', 'compliance_l_per_bar'],
            properties: [
                new OA\Property(property: 'volume_m3', type: 'number'),
                new OA\Property(property: 'compliance_l_per_bar', type: 'number'),
            ],
        ),
        new OA\Property(
            property: 'raise',
            type: 'object',
            required: ['total_l'],
            properties: [new OA\Property(property: 'total_l', type: 'number')],
        ),
        new OA\Property(
            property: 'raise_with_air',
            type: 'object',
            required: ['total_l'],
            properties: [new OA\Property(property: 'total_l', type: 'number')],
        ),
        new OA\Property(
            property: 'fill',
            type: 'object',
            required: ['fill_h', 'water_m3', 'velocity_ok', 'max_rate_l_s'],
            properties: [
                new OA\Property(property: 'fill_h', type: 'number'),
                new OA\Property(property: 'water_m3', type: 'number'),
                new OA\Property(property: 'velocity_ok', type: 'boolean', nullable: true),
                new OA\Property(property: 'max_rate_l_s', type: 'number', nullable: true),
            ],
        ),
        new OA\Property(
            property: 'vents',
            type: 'object',
            required: ['vents_m', 'drains_m'],
            properties: [
                new OA\Property(property: 'vents_m', type: 'array', items: new OA\Items(type: 'number')),
                new OA\Property(property: 'drains_m', type: 'array', items: new OA\Items(type: 'number')),
            ],
        ),
        new OA\Property(
            property: 'thrust',
            type: 'object',
            required: ['force_kn'],
            properties: [new OA\Property(property: 'force_kn', type: 'number')],
        ),
        new OA\Property(
            property: 'earliest',
            type: 'object',
            nullable: true,
            required: ['earliest_at', 'governing', 'is_joint'],
            properties: [
                new OA\Property(property: 'earliest_at', type: 'string'),
                new OA\Property(property: 'is_joint', description: 'it is a joint that is waited for, and no concrete', type: 'boolean'),
                new OA\Property(property: 'governing', type: 'string'),
            ],
        ),
        new OA\Property(property: 'missing', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'joint_count', type: 'integer'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
    ],
)]
#[OA\Schema(
    schema: 'LogProgramme',
    required: ['rows', 'marks', 'columns'],
    properties: [
        new OA\Property(property: 'rows', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        new OA\Property(property: 'marks', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number')),
        new OA\Property(property: 'columns', type: 'array', items: new OA\Items(type: 'string')),
    ],
)]
#[OA\Schema(
    schema: 'BoxProgramme',
    required: ['about', 'supply_ratio', 'r_ratio', 'samples'],
    properties: [
        new OA\Property(property: 'about', type: 'string'),
        new OA\Property(property: 'supply_ratio', type: 'number'),
        new OA\Property(property: 'r_ratio', type: 'number'),
        new OA\Property(property: 'samples', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    ],
)]
#[OA\Schema(
    schema: 'FileSamples',
    required: ['samples', 'columns'],
    properties: [
        new OA\Property(property: 'samples', type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        new OA\Property(property: 'columns', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'summary', type: 'object', additionalProperties: true),
        new OA\Property(property: 'first_at', description: 'time of the first reading', type: 'string', nullable: true),
        new OA\Property(property: 'last_at', description: 'time of the last reading', type: 'string', nullable: true),
        new OA\Property(
            property: 'doubts',
            description: 'what speaks against it as evidence of the work that was named',
            type: 'array',
            items: new OA\Items(type: 'string'),
        ),
    ],
)]
#[OA\Schema(
    schema: 'ProcedureShort',
    required: ['hash', 'key', 'version', 'title', 'family', 'joint_type'],
    properties: [
        new OA\Property(property: 'hash', type: 'string'),
        new OA\Property(property: 'key', type: 'string'),
        new OA\Property(property: 'version', type: 'string'),
        new OA\Property(property: 'title', type: 'string'),
        new OA\Property(property: 'family', type: 'string'),
        new OA\Property(property: 'joint_type', type: 'string'),
        new OA\Property(property: 'school', type: 'string'),
        new OA\Property(property: 'place', type: 'string'),
        new OA\Property(property: 'daily', description: 'of the line: there is one for each day', type: 'boolean'),
        new OA\Property(property: 'covers', description: 'joints are covered by it', type: 'boolean'),
        new OA\Property(property: 'uncovers', description: 'joints are laid bare again by it', type: 'boolean'),
        new OA\Property(property: 'suits', description: 'its text says what it is meant for', type: 'boolean'),
        new OA\Property(property: 'medium', ref: '#/components/schemas/Medium'),
        new OA\Property(property: 'at_gauge', description: 'its pressure is that of the plan', type: 'boolean'),
        new OA\Property(
            property: 'unsuited',
            description: 'why it is not meant for the pipe that was asked about',
            type: 'array',
            items: new OA\Items(type: 'string'),
        ),
        new OA\Property(property: 'own', type: 'boolean'),
        new OA\Property(
            property: 'steps',
            description: 'each once, whatever sides it is done on; with the limits, where they are asked for',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'title'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'title', type: 'string'),
                ],
            ),
        ),
        new OA\Property(
            property: 'parameters',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/Limit'),
        ),
    ],
)]
#[OA\Schema(
    schema: 'RegisterRow',
    required: ['id', 'told', 'joint', 'chainage_m', 'state', 'verdict'],
    properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'joint', type: 'string'),
        new OA\Property(property: 'chainage_m', type: 'number'),
        new OA\Property(property: 'easting', type: 'number'),
        new OA\Property(property: 'northing', type: 'number'),
        new OA\Property(property: 'level_m', type: 'number'),
        new OA\Property(property: 'state', type: 'string'),
        new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
        new OA\Property(property: 'pipe_a', type: 'string'),
        new OA\Property(property: 'pipe_b', type: 'string'),
        new OA\Property(property: 'procedure', type: 'string'),
        new OA\Property(property: 'signed_by', type: 'string'),
        new OA\Property(property: 'sealed_utc', type: 'string'),
        new OA\Property(property: 'covered_utc', type: 'string'),
        new OA\Property(property: 'replaces', type: 'string'),
        new OA\Property(property: 'cut_out_reason', type: 'string'),
        new OA\Property(property: 'remark', type: 'string'),
        new OA\Property(
            property: 'told',
            description: 'what its procedure puts there, by column',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
    ],
)]
#[OA\Schema(
    schema: 'Register',
    required: ['line', 'chain_broken', 'chain_mended', 'chain_held', 'chain_head', 'columns', 'joints', 'tests'],
    properties: [
        new OA\Property(
            property: 'columns',
            description: 'what the procedures of its joints put into the register: column => label',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
        new OA\Property(property: 'line', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
        new OA\Property(property: 'chain_broken', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(
            property: 'chain_mended',
            description: 'what was broken and sealed anew, with who, when and why',
            type: 'array',
            items: new OA\Items(type: 'string'),
        ),
        new OA\Property(
            property: 'chain_held',
            description: 'of a long line: when all its seals were last held against the record, and of how many that was said',
            type: 'object',
            required: ['at', 'seals', 'waits'],
            properties: [
                new OA\Property(
                    property: 'at',
                    description: 'null: as it stands at this moment; where it waits, never yet',
                    type: 'string',
                    format: 'date-time',
                    nullable: true,
                ),
                new OA\Property(property: 'seals', type: 'integer'),
                new OA\Property(property: 'waits', description: 'they are being held anew', type: 'boolean'),
            ],
        ),
        new OA\Property(
            property: 'chain_head',
            description: 'the last seal: kept elsewhere, it shows a chain that was shortened or made anew',
            type: 'object',
            nullable: true,
            required: ['seals', 'hash', 'public_key'],
            properties: [
                new OA\Property(property: 'seals', type: 'integer'),
                new OA\Property(property: 'hash', type: 'string'),
                new OA\Property(property: 'public_key', type: 'string', nullable: true),
            ],
        ),
        new OA\Property(property: 'joints', type: 'array', items: new OA\Items(ref: '#/components/schemas/RegisterRow')),
        new OA\Property(
            property: 'tests',
            type: 'array',
            items: new OA\Items(
                required: ['id', 'section', 'number', 'state', 'verdict', 'pack_is_long'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'section', type: 'string'),
                    new OA\Property(property: 'number', type: 'integer'),
                    new OA\Property(property: 'state', type: 'string'),
                    new OA\Property(property: 'verdict', ref: '#/components/schemas/Verdict'),
                    new OA\Property(property: 'sealed_at', type: 'string', nullable: true),
                    new OA\Property(property: 'asked_kpa', type: 'number', nullable: true),
                    new OA\Property(property: 'pack_is_long', description: 'its pack is made in the background', type: 'boolean'),
                    new OA\Property(property: 'headline', type: 'string', nullable: true),
                ],
            ),
        ),
    ],
)]
#[OA\Schema(
    schema: 'PointAlong',
    required: ['at', 'out', 'verdict'],
    properties: [
        new OA\Property(property: 'at', type: 'number'),
        new OA\Property(property: 'out', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number')),
        new OA\Property(property: 'verdict', type: 'string', nullable: true, enum: ['good', 'close', 'bad', 'open']),
    ],
)]
#[OA\Schema(
    schema: 'PracticeLabel',
    required: ['kind', 'code', 'dn_mm', 'voltage_v', 'time_s', 'cooling_min', 'serial', 'trap'],
    properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['socket', 'saddle', 'restraint']),
        new OA\Property(property: 'code', type: 'string'),
        new OA\Property(property: 'dn_mm', type: 'number'),
        new OA\Property(property: 'voltage_v', type: 'number'),
        new OA\Property(property: 'time_s', type: 'number'),
        new OA\Property(property: 'cooling_min', type: 'number'),
        new OA\Property(property: 'coupling_mm', type: 'number'),
        new OA\Property(property: 'sdr_min', type: 'number'),
        new OA\Property(property: 'sdr_max', type: 'number'),
        new OA\Property(property: 'outlet_mm', type: 'number'),
        new OA\Property(property: 'tapping_min', type: 'number'),
        new OA\Property(property: 'saddle_mm', type: 'number'),
        new OA\Property(property: 'cover_deg', type: 'number'),
        new OA\Property(property: 'torque_nm', type: 'number'),
        new OA\Property(property: 'serial', type: 'string'),
        new OA\Property(property: 'trap', type: 'string', nullable: true),
    ],
)]
final class Schemas
{
}
