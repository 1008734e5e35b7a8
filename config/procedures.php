<?php

use App\Support\CompiledProcedures;

return [
    // Worked out when the settings are cached: whoever serves with another core caches them anew.
    'compiled' => storage_path('framework/procedures/'.CompiledProcedures::core()),
];
