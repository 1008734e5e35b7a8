<?php

return [
    // Kept outside the database: who can write there cannot sign. 32 bytes in base64.
    'key' => (string) env('SEAL_KEY', ''),
];
