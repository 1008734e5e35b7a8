<?php

namespace Database\Demo;

use App\Actions\KeepStoreItem;
use App\Models\Project;
use App\Models\StoreItem;
use App\Models\User;
use Diastoma\Core\Data;
use Illuminate\Support\Str;

/** What lies in the made-up stores: cards, boxes, tools, most of them in date. */
final class Stores
{
    /** @var array<string, StoreItem> by short name */
    private array $items = [];

    public function __construct(private readonly KeepStoreItem $keep)
    {
    }

    /** @param  array<string, User>  $people */
    public function fill(Project $project, array $people, \DateTimeImmutable $now): self
    {
        $in = fn (string $span): string => $now->modify($span)->format('Y-m-d');
        $things = [
            [
                'card',
                'operator-card',
                'Bram Ivesley',
                [
                    'number' => 'C-2207',
                    'valid_until' => $in('+9 months'),
                    'works' => 'electrofusion, butt fusion',
                    'materials' => 'PE80, PE100',
                    'dn_min_mm' => 20,
                    'dn_max_mm' => 710,
                ],
            ],
            [
                'permit-trench',
                'permit',
                'Trench permit T-14',
                ['sort' => 'trench', 'number' => 'T-14', 'issued_by' => 'Wyrleford District', 'valid_until' => $in('+4 months')],
            ],
            [
                'permit-ended',
                'permit',
                'Trench permit T-09',
                ['sort' => 'trench', 'number' => 'T-09', 'issued_by' => 'Wyrleford District', 'valid_until' => $in('-9 days')],
            ],
            ['permit-open', 'permit', 'Trench notice', ['sort' => 'trench']],
            [
                'permit-road',
                'permit',
                'Lane closure',
                ['sort' => 'traffic', 'number' => 'R-231', 'valid_until' => $in('+2 months')],
            ],
            [
                'card-foreman',
                'operator-card',
                'Odile Fenner',
                [
                    'number' => 'C-1180',
                    'valid_until' => $in('+3 weeks'),
                    'works' => 'electrofusion',
                    'materials' => 'PE80, PE100',
                    'dn_min_mm' => 20,
                    'dn_max_mm' => 315,
                ],
            ],
            [
                'wrench',
                'torque-wrench',
                'Wrench 3',
                [
                    'shows_by' => 'reads',
                    'serial' => 'TW-0311',
                    'due_on' => $in('+5 months'),
                    'class_frac' => 0.04,
                    'least_nm' => 20,
                    'most_nm' => 200,
                    'lever_mm' => 480,
                ],
            ],
            [
                'wrench-small',
                'torque-wrench',
                'Wrench 5, small',
                [
                    'shows_by' => 'clicks',
                    'serial' => 'TW-0051',
                    'due_on' => $in('+7 months'),
                    'class_frac' => 0.04,
                    'least_nm' => 4,
                    'most_nm' => 40,
                ],
            ],
            [
                'wrench-large',
                'torque-wrench',
                'Wrench 9, large',
                [
                    'shows_by' => 'reads',
                    'serial' => 'TW-1904',
                    'due_on' => $in('+6 months'),
                    'class_frac' => 0.04,
                    'least_nm' => 100,
                    'most_nm' => 1000,
                ],
            ],
            [
                'wrench-old',
                'torque-wrench',
                'Wrench 2',
                [
                    'shows_by' => 'reads',
                    'serial' => 'TW-0287',
                    'due_on' => $in('-40 days'),
                    'class_frac' => 0.04,
                    'least_nm' => 20,
                    'most_nm' => 200,
                ],
            ],
            [
                'card-old',
                'operator-card',
                'Lorne Askew',
                [
                    'number' => 'C-0931',
                    'valid_until' => $in('-12 days'),
                    'works' => 'electrofusion',
                    'materials' => 'PE80, PE100',
                    'dn_min_mm' => 20,
                    'dn_max_mm' => 225,
                ],
            ],
            [
                'box',
                'fusion-box',
                'Box 2',
                ['serial' => 'B-40217', 'due_on' => $in('+5 months'), 'efficiency' => 0.85, 'power_factor' => 0.8],
            ],
            [
                'box-large',
                'fusion-box',
                'Box 7, for large fittings',
                ['serial' => 'B-51130', 'due_on' => $in('+11 months'), 'efficiency' => 0.9, 'power_factor' => 0.9],
            ],
            [
                'box-due',
                'fusion-box',
                'Box 4',
                ['serial' => 'B-40388', 'due_on' => $in('-4 days'), 'efficiency' => 0.85, 'power_factor' => 0.8],
            ],
            ['clamps', 'clamp-set', 'Clamps 1', ['dn_min_mm' => 63, 'dn_max_mm' => 180, 'due_on' => $in('+6 months')]],
            ['clamps-other', 'clamp-set', 'Clamps 2', ['dn_min_mm' => 63, 'dn_max_mm' => 180, 'due_on' => $in('+6 months')]],
            ['clamps-large', 'clamp-set', 'Clamps 3, large pipe', ['dn_min_mm' => 160, 'dn_max_mm' => 315, 'due_on' => $in('+2 months')]],
            ['tape', 'circumference-tape', 'Tape 11', ['serial' => 'T-118', 'due_on' => $in('+7 months'), 'division_mm' => 0.1]],
            [
                'tool',
                'peeling-tool',
                'Turning peeler 3',
                ['way' => 'turning', 'serial' => 'P-33', 'due_on' => $in('+2 months'), 'blade_on' => $in('-6 days')],
            ],
            [
                'scraper',
                'peeling-tool',
                'Hand scraper 5',
                ['way' => 'hand', 'serial' => 'P-05', 'due_on' => $in('+2 months'), 'blade_on' => $in('-2 days')],
            ],
            [
                'solvent',
                'solvent',
                'Isopropanol 99 %, bottle 7',
                ['sort' => 'isopropanol', 'strength_pct' => 99, 'batch' => 'IP-2207', 'use_by' => $in('+5 months')],
            ],
            [
                'solvent-weak',
                'solvent',
                'Isopropanol 70 %, bottle 2',
                ['sort' => 'isopropanol', 'strength_pct' => 70, 'batch' => 'IP-1903'],
            ],
            ['solvent-mix', 'solvent', 'Ethanol mix, bottle 4', ['sort' => 'ethanol-mek', 'batch' => 'EM-031']],
            ['scriber', 'scriber', 'Scriber 2', ['depth_mm' => 0.18, 'due_on' => $in('+5 months')]],
            [
                'set',
                'power-source',
                'Generator 5 kVA',
                ['rated_va' => 5000, 'voltage_v' => 230, 'derate_pct' => 0, 'l_per_kwh' => 0.6, 'due_on' => $in('+4 months')],
            ],
            [
                'set-large',
                'power-source',
                'Generator 15 kVA',
                ['rated_va' => 15000, 'voltage_v' => 230, 'derate_pct' => 0, 'l_per_kwh' => 0.5, 'due_on' => $in('+4 months')],
            ],
            ['lead', 'supply-lead', 'Lead 25 m', ['length_m' => 25, 'area_mm2' => 2.5, 'due_on' => $in('+4 months')]],
            [
                'gauge',
                'pressure-gauge',
                'Gauge G-114',
                ['serial' => 'G-114', 'due_on' => $in('+7 months'), 'reads_to_kpa' => 2500, 'division_kpa' => 10],
            ],
            ['gauge-due', 'pressure-gauge', 'Gauge G-08', ['serial' => 'G-08', 'due_on' => $in('-9 days'), 'reads_to_kpa' => 2500]],
            [
                'logger',
                'pressure-logger',
                'Logger L-27',
                ['serial' => 'L-27', 'due_on' => $in('+4 months'), 'reads_to_kpa' => 2500, 'resolution_kpa' => 0.5],
            ],
            ['logger-old', 'pressure-logger', 'Logger L-9', ['serial' => 'L-9', 'due_on' => $in('-70 days'), 'resolution_kpa' => 0.5]],
            ['wrench', 'tool', 'Torque wrench W-14', ['serial' => 'W-14', 'due_on' => $in('+1 month')]],
            [
                'layout',
                'code-layout',
                'Practice layout',
                [
                    'layout' => array_intersect_key(Data::json('codes/practice.json'), ['fields' => 1]),
                    'source' => 'made up for practice; no fitting in the field carries it',
                    'practice' => true,
                ],
            ],
        ];
        foreach ($things as [$short, $kind, $name, $values]) {
            $this->items[$short] = ($this->keep)($project, $people['engineer'], [
                'id' => (string) Str::uuid(),
                'kind' => $kind,
                'name' => $name,
                'values' => $values,
            ]);
        }

        return $this;
    }

    /** @return array<string, mixed> as it is chosen at a step */
    public function chosen(string $short): array
    {
        return $this->items[$short]->snapshot();
    }

    /** @return array<string, mixed> the usual kit of a small joint */
    public function kit(string $box = 'box', string $tool = 'tool'): array
    {
        return [
            'card' => $this->chosen('card'),
            'box' => $this->chosen($box),
            'tape' => $this->chosen('tape'),
            'tool' => $this->chosen($tool),
            'solvent' => $this->chosen('solvent'),
        ];
    }
}
