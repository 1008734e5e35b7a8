<?php

use App\Http\Controllers\OpenApiController;
use Diastoma\Core\Calculation\Registry;
use Illuminate\Support\Facades\Artisan;

Artisan::command('api:document', function (Registry $registry) {
    $this->output->write(json_encode(OpenApiController::document($registry), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR), false, 32);
})->purpose('Print the OpenAPI document');
