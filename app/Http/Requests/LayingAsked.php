<?php

namespace App\Http\Requests;

use App\Laying\Asked;
use App\Support\Say;
use Diastoma\Core\Laying\Tolerance;

/** What a laying plan is to keep to. */
class LayingAsked extends MemberRequest
{
    use SaidOfALine {
        attributes as private named;
    }

    public function rules(): array
    {
        return [
            'stock' => 'required|array|min:1|max:6',
            'stock.*.length_m' => 'required|numeric|between:0.5,20',
            'stock.*.count' => 'nullable|integer|between:0,1000000',
            'max_joint_angle_deg' => 'required|numeric|gt:0|max:15',
            'limit_source' => 'nullable|string|max:200',
            'working_share' => 'required|numeric|gt:0|max:1',
            'min_piece_m' => 'required|numeric|between:0.3,20',
            'joint_allowance_m' => 'nullable|numeric|between:0,0.5',
            'barrel_tol_m' => 'nullable|numeric|between:0,10',
            'side_tol_m' => 'nullable|numeric|between:0,10',
            'level_tol_m' => 'nullable|numeric|between:0,10',
            'allow_phase_cuts' => 'nullable|boolean',
            'off_right_m' => 'nullable|numeric|between:-5,5',
            'off_up_m' => 'nullable|numeric|between:-5,5',
            'bends' => 'nullable|array|max:200',
            'bends.*.at_m' => 'required|numeric',
            'bends.*.bend_deg' => 'required|numeric|gt:0|max:90',
            'bends.*.leg_m' => 'required|numeric|between:0.02,5',
            'ground' => 'nullable|array|max:2000',
            'ground.*.at_m' => 'required|numeric|between:-1000000,1000000',
            'ground.*.level_m' => 'required|numeric|between:-500,9000',
            'least_cover_m' => 'nullable|numeric|between:0,50',
            'ground_u_m' => 'nullable|numeric|between:0,5',
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        $names = $this->named();
        foreach (['at_m', 'bend_deg', 'leg_m'] as $key) {
            $names["bends.*.{$key}"] = Say::text("fields.{$key}");
        }
        $names['ground.*.at_m'] = Say::text('fields.ground_at_m');
        $names['ground.*.level_m'] = Say::text('fields.ground_level_m');

        return $names;
    }

    private function orNull(string $key): ?float
    {
        return $this->filled($key) ? $this->float($key) : null;
    }

    public function asked(): Asked
    {
        /** @var non-empty-list<array{length_m: int|float|string, count?: int|string|null}> $stock */
        $stock = array_values((array) $this->validated('stock'));
        /** @var list<array{at_m: int|float|string, bend_deg: int|float|string, leg_m: int|float|string}> $bends */
        $bends = array_values((array) $this->validated('bends'));
        /** @var list<array{at_m: int|float|string, level_m: int|float|string}> $ground */
        $ground = array_values((array) $this->validated('ground'));

        return new Asked(
            array_map(fn (array $row): array => [
                'length_m' => (float) $row['length_m'], 'count' => isset($row['count']) ? (int) $row['count'] : null,
            ], $stock),
            $this->float('max_joint_angle_deg'),
            $this->filled('limit_source') ? trim($this->string('limit_source')->toString()) : null,
            $this->float('working_share'),
            $this->float('min_piece_m'),
            $this->float('joint_allowance_m'),
            new Tolerance($this->orNull('barrel_tol_m'), $this->orNull('side_tol_m'), $this->orNull('level_tol_m')),
            $this->boolean('allow_phase_cuts'),
            $this->float('off_right_m'),
            $this->float('off_up_m'),
            array_map(fn (array $row): array => [
                'at_m' => (float) $row['at_m'], 'bend_deg' => (float) $row['bend_deg'], 'leg_m' => (float) $row['leg_m'],
            ], $bends),
            array_map(fn (array $row): array => ['at_m' => (float) $row['at_m'], 'level_m' => (float) $row['level_m']], $ground),
            $this->orNull('least_cover_m'),
            $this->orNull('ground_u_m'),
        );
    }
}
