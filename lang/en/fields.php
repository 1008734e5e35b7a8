<?php

// What is asked of a line or a section, as the page calls it.
return [
    'centre_line' => 'Centre line',
    'design_bar' => 'Design pressure, bar',
    'dn_mm' => 'Outside diameter, mm',
    'factor' => 'Factor',
    'fill_l_s' => 'Fill at, L/s',
    'from_m' => 'From, m',
    'gauge_m' => 'Gauge at, m',
    'mdp_bar' => 'Maximum design pressure, bar',
    'method_hash' => 'Test method',
    'name' => 'Name',
    'nominal' => 'Size',
    'od_mm' => 'Outside diameter, mm',
    'pipe_length_m' => 'Length of one pipe, m',
    'pipe_max_bar' => 'Most the weakest part may see, bar',
    'procedure_hash' => 'Procedure for the joints',
    'sdr' => 'SDR',
    'series' => 'Series',
    'to_m' => 'To, m',
    'wall_mm' => 'Wall, mm',
    'water_c' => 'Water, °C',
];
