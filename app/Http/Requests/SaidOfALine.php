<?php

namespace App\Http\Requests;

use App\Support\Say;

/** How what is wrong with a line or a section is said: by the names on the page, with the unit in which it is stored. */
trait SaidOfALine
{
    private const NAMED = [
        'name', 'dn_mm', 'nominal', 'series', 'sdr', 'wall_mm', 'od_mm', 'design_bar',
        'mdp_bar', 'pipe_length_m', 'centre_line', 'procedure_hash', 'from_m', 'to_m', 'method_hash',
        'gauge_m', 'factor', 'water_c', 'fill_l_s', 'pipe_max_bar', 'stock', 'max_joint_angle_deg', 'limit_source', 'working_share',
        'min_piece_m', 'joint_allowance_m', 'barrel_tol_m', 'side_tol_m', 'level_tol_m', 'off_right_m', 'off_up_m', 'reason',
        'crews', 'clamps', 'boxes', 'move_min', 'prepare_min', 'fit_min', 'fuse_min', 'cool_min', 'rest_min', 'shift_from', 'shift_to',
        'pause_from', 'pause_to', 'work_days', 'rain_min', 'plant', 'open_ahead', 'open_min', 'test_min',
        'ground', 'least_cover_m', 'ground_u_m',
    ];

    /** @return array<string, string> */
    public function attributes(): array
    {
        $names = [];
        foreach (self::NAMED as $key) {
            $names[$key] = $names["sections.*.{$key}"] = Say::text("fields.{$key}");
        }

        return $names;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return $this->said();
    }

    /** @return array<string, string> */
    private function said(): array
    {
        return [
            'required' => Say::text('refused.isMissing'),
            'numeric' => Say::text('refused.isNoNumber'),
            'between' => Say::text('refused.isOutside'),
        ];
    }
}
