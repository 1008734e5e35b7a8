<?php

namespace App\Http\Requests;

/** How what is wrong with a line or a section is said: by the names on the page, with the unit in which it is stored. */
trait SaidOfALine
{
    private const NAMES = [
        'name' => 'Name',
        'dn_mm' => 'Outside diameter, mm',
        'nominal' => 'Size',
        'series' => 'Series',
        'sdr' => 'SDR',
        'wall_mm' => 'Wall, mm',
        'design_bar' => 'Design pressure, bar',
        'mdp_bar' => 'Maximum design pressure, bar',
        'pipe_length_m' => 'Length of one pipe, m',
        'centre_line' => 'Centre line',
        'procedure_hash' => 'Procedure for the joints',
        'from_m' => 'From, m',
        'to_m' => 'To, m',
        'method_hash' => 'Test method',
        'gauge_m' => 'Gauge at, m',
        'factor' => 'Factor',
        'water_c' => 'Water, °C',
        'fill_l_s' => 'Fill at, L/s',
        'pipe_max_bar' => 'Most the weakest part may see, bar',
    ];

    /** @return array<string, string> */
    public function attributes(): array
    {
        $ofSections = array_combine(array_map(fn (string $key) => "sections.*.{$key}", array_keys(self::NAMES)), self::NAMES);

        return self::NAMES + $ofSections;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'required' => ':attribute is missing.',
            'numeric' => ':attribute: ":input" is no number.',
            'between' => ':attribute: :input is outside :min to :max.',
        ];
    }
}
