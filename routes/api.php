<?php

use App\Http\Controllers\DeskController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\JointController;
use App\Http\Controllers\LineController;
use App\Http\Controllers\OpenApiController;
use App\Http\Controllers\PipeController;
use App\Http\Controllers\ProcedureController;
use App\Http\Controllers\SealController;
use App\Http\Controllers\SectionController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\StoreController;
use App\Http\Controllers\SubjectController;
use Illuminate\Support\Facades\Route;

Route::get('openapi.json', OpenApiController::class);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');

Route::middleware('auth:sanctum')->group(function () {
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::get('me', [SessionController::class, 'show']);
    Route::patch('me', [SessionController::class, 'update']);

    Route::get('waiting', [DeskController::class, 'waiting']);
    Route::get('find', [DeskController::class, 'find']);
    Route::get('people', [DeskController::class, 'people']);
    Route::patch('projects/{project}', [DeskController::class, 'describe']);
    Route::get('lines', [LineController::class, 'index']);
    Route::post('lines', [LineController::class, 'store']);
    Route::post('lines/preview', [LineController::class, 'preview']);
    Route::get('lines/{line}', [LineController::class, 'show']);
    Route::get('lines/{line}/log', [LineController::class, 'log']);
    Route::post('lines/{line}/sections', [LineController::class, 'addSection']);
    Route::post('lines/{line}/sections/preview', [LineController::class, 'previewSection']);
    Route::post('centre-line', [LineController::class, 'readCentreLine']);
    Route::post('lines/{line}/joints', [LineController::class, 'addJoints']);
    Route::post('lines/{line}/seal-anew', [SealController::class, 'anew']);
    Route::get('lines/{line}/seals/{code}', [SealController::class, 'find']);
    Route::get('lines/{line}/head.json', [SealController::class, 'head']);
    Route::get('lines/{line}/register', [FileController::class, 'register']);
    Route::get('lines/{line}/register.csv', [FileController::class, 'csv']);
    Route::get('lines/{line}/line.geojson', [FileController::class, 'geoJson']);

    Route::get('subjects/{kind}/{subject}', [SubjectController::class, 'show']);
    Route::get('subjects/{kind}/{subject}/record.json', [SubjectController::class, 'export']);
    Route::post('subjects/{kind}/{subject}/facts', [SubjectController::class, 'record']);
    Route::post('subjects/{kind}/{subject}/photos', [SubjectController::class, 'keepPhoto']);
    Route::get('photos/{photo}', [SubjectController::class, 'photo']);
    // What a device recorded before it had this version of the pages must still arrive.
    Route::post('{before}/{id}/{what}', [SubjectController::class, 'moved'])
        ->whereIn('before', ['joints', 'tests'])
        ->whereIn('what', ['facts', 'photos']);

    Route::post('joints/{joint}/cut-out', [JointController::class, 'cutOut']);
    Route::post('lines/{line}/stretches', [LineController::class, 'addStretch']);
    Route::get('lines/{line}/pipes', [PipeController::class, 'index']);
    Route::post('lines/{line}/pipes', [PipeController::class, 'store']);
    Route::patch('pipes/{pipe}', [PipeController::class, 'update']);
    Route::post('pipes/{pipe}/words', [PipeController::class, 'say']);

    Route::get('sections/{section}', [SectionController::class, 'show']);
    Route::delete('sections/{section}', [SectionController::class, 'remove']);
    Route::post('sections/{section}/tests', [SectionController::class, 'begin']);
    Route::get('tests/{test}/stand-in', [SectionController::class, 'standIn']);
    Route::get('tests/{test}/pack.pdf', [SectionController::class, 'pack']);

    Route::get('stores', [StoreController::class, 'index']);
    Route::get('stores/kinds', [StoreController::class, 'kinds']);
    Route::post('stores', [StoreController::class, 'keep']);
    Route::get('stores/{item}/history', [StoreController::class, 'history']);

    Route::post('files/fusion-trace', [FileController::class, 'fusionTrace']);
    Route::post('files/pressure-log', [FileController::class, 'pressureLog']);
    Route::post('files/wrench', [FileController::class, 'wrench']);

    Route::get('procedures', [ProcedureController::class, 'index']);
    Route::get('procedures/{procedure}', [ProcedureController::class, 'show']);
    Route::post('procedures', [ProcedureController::class, 'store']);
    Route::post('procedures/try', [ProcedureController::class, 'try']);
    Route::get('calculations', [ProcedureController::class, 'calculations']);
    Route::post('calculations/{name}', [ProcedureController::class, 'calculate'])->where('name', '[a-z0-9-]+');
    Route::post('calculations/{name}/along', [ProcedureController::class, 'along'])->where('name', '[a-z0-9-]+');
    Route::get('stand-ins/fusion-box', [ProcedureController::class, 'fusionBox']);
    Route::get('stand-ins/labels', [ProcedureController::class, 'labels']);
    Route::get('units', [ProcedureController::class, 'units']);
    Route::get('materials', [ProcedureController::class, 'materials']);
});
