<?php

// What the journal calls the things that were said with a change.
return [
    'accepts_own_work' => 'accepts own work',
    'client' => 'client',
    'contractor' => 'contractor',
    'counts' => 'the later reading counts',
    'from_m' => 'from, m',
    'kind' => 'kind',
    'name' => 'name',
    'no' => 'no',
    'nominal' => 'size',
    'number' => 'number',
    'reason' => 'reason',
    'sdr' => 'SDR',
    'to_m' => 'to, m',
    'yes' => 'yes',
];
