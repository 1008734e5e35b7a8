<?php

return [
    // Kept outside the database: who can write there cannot sign. 32 bytes in base64.
    'key' => (string) env('SEAL_KEY', ''),
    // Public keys that were laid down, and when: bin/new-seal-key writes them.
    'former' => (string) env('SEAL_KEYS_BEFORE', ''),
];
