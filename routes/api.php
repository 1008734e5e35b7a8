<?php

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ContestedController;
use App\Http\Controllers\DayController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\JointController;
use App\Http\Controllers\LayingController;
use App\Http\Controllers\LineController;
use App\Http\Controllers\OpenApiController;
use App\Http\Controllers\OrganisationController;
use App\Http\Controllers\PackController;
use App\Http\Controllers\PipeController;
use App\Http\Controllers\ProcedureController;
use App\Http\Controllers\SealController;
use App\Http\Controllers\SectionController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\StoreController;
use App\Http\Controllers\SubjectController;
use App\Http\Middleware\Allowed;
use Illuminate\Support\Facades\Route;

Route::get('openapi.json', OpenApiController::class);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');

Route::get('invitations/{token}', [InvitationController::class, 'show'])->middleware('throttle:links');
Route::post('invitations/{token}', [InvitationController::class, 'admit'])->middleware('throttle:links');
Route::post('invitations/{token}/password', [InvitationController::class, 'renew'])->middleware('throttle:links');

Route::middleware(['auth:sanctum', Allowed::class])->group(function () {
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::get('me', [SessionController::class, 'show']);
    Route::patch('me', [SessionController::class, 'update']);
    Route::get('me/account', [AccountController::class, 'show']);
    Route::put('me/password', [AccountController::class, 'changePassword']);
    Route::delete('me/devices', [AccountController::class, 'endOthers']);
    Route::delete('me/devices/{device}', [AccountController::class, 'end']);
    Route::post('me/second-factor', [AccountController::class, 'beginFactor']);
    Route::put('me/second-factor', [AccountController::class, 'addFactor']);
    Route::delete('me/second-factor', [AccountController::class, 'removeFactor']);
    Route::post('invitations/{token}/join', [InvitationController::class, 'takeIn']);

    Route::middleware('can:administer')->prefix('organisation')->group(function () {
        Route::get('', [OrganisationController::class, 'show']);
        Route::get('journal', [OrganisationController::class, 'journal']);
        Route::post('projects', [OrganisationController::class, 'makeProject']);
        Route::patch('projects/{project}', [OrganisationController::class, 'changeProject']);
        Route::post('invitations', [OrganisationController::class, 'invite']);
        Route::delete('invitations/{invitation}', [OrganisationController::class, 'withdraw']);
        Route::patch('people/{user}', [OrganisationController::class, 'change']);
        Route::put('projects/{project}/people/{user}', [OrganisationController::class, 'giveRole']);
        Route::delete('projects/{project}/people/{user}', [OrganisationController::class, 'takeFrom']);
    });

    Route::get('waiting', [DeskController::class, 'waiting']);
    Route::get('find', [DeskController::class, 'find']);
    Route::get('people', [DeskController::class, 'people']);
    Route::patch('projects/{project}', [DeskController::class, 'describe'])->middleware('journal:project-changed');
    Route::get('lines', [LineController::class, 'index']);
    Route::post('lines', [LineController::class, 'store'])->middleware('journal:line-made');
    Route::post('lines/preview', [LineController::class, 'preview']);
    Route::get('lines/{line}', [LineController::class, 'show']);
    Route::patch('lines/{line}', [LineController::class, 'change'])->middleware('journal:line-changed');
    Route::get('lines/{line}/near', [LineController::class, 'near']);
    Route::get('lines/{line}/log', [LineController::class, 'log']);
    Route::post('lines/{line}/sections', [LineController::class, 'addSection'])->middleware('journal:section-added');
    Route::post('lines/{line}/sections/preview', [LineController::class, 'previewSection']);
    Route::get('lines/{line}/laying-plan', [LayingController::class, 'show']);
    Route::post('lines/{line}/laying-plan', [LayingController::class, 'layDown'])->middleware('journal:plan-laid-down');
    Route::post('lines/{line}/laying-plan/try', [LayingController::class, 'try']);
    Route::get('lines/{line}/laying-plan.csv', [LayingController::class, 'csv']);
    Route::get('lines/{line}/laying-plan.geojson', [LayingController::class, 'geoJson']);
    Route::get('lines/{line}/laying-plan.xml', [LayingController::class, 'landXml']);
    Route::get('lines/{line}/laying-sheet.pdf', [LayingController::class, 'sheet']);
    Route::get('lines/{line}/day', [DayController::class, 'show']);
    Route::post('lines/{line}/day', [DayController::class, 'take'])->middleware('journal:days-planned');
    Route::post('lines/{line}/day/try', [DayController::class, 'try']);
    Route::post('centre-line', [LineController::class, 'readCentreLine']);
    Route::post('lines/{line}/joints', [LineController::class, 'addJoints'])->middleware('journal:joint-added');
    Route::post('lines/{line}/seal-anew', [SealController::class, 'anew'])->middleware('journal:seal-anew');
    Route::get('lines/{line}/seals/{code}', [SealController::class, 'find']);
    Route::get('lines/{line}/head.json', [SealController::class, 'head']);
    Route::get('lines/{line}/register', [FileController::class, 'register']);
    Route::get('lines/{line}/register.csv', [FileController::class, 'csv']);
    Route::get('lines/{line}/line.geojson', [FileController::class, 'geoJson']);

    Route::get('subjects/{kind}/{subject}', [SubjectController::class, 'show']);
    Route::get('subjects/{kind}/{subject}/record.json', [SubjectController::class, 'export']);
    Route::post('subjects/{kind}/{subject}/facts', [SubjectController::class, 'record']);
    Route::post('subjects/{kind}/{subject}/photos', [SubjectController::class, 'keepPhoto']);
    Route::post('contested/{contested:id}/decision', [ContestedController::class, 'decide'])->middleware('journal:decided');
    Route::get('photos/{photo}', [SubjectController::class, 'photo']);
    // What a device recorded before it had this version of the pages must still arrive.
    Route::post('{before}/{id}/{what}', [SubjectController::class, 'moved'])
        ->whereIn('before', ['joints', 'tests'])
        ->whereIn('what', ['facts', 'photos']);

    Route::delete('joints/{joint}', [JointController::class, 'takeBack'])->middleware('journal:joint-taken-back');
    Route::post('joints/{joint}/cut-out', [JointController::class, 'cutOut'])->middleware('journal:joint-cut-out');
    Route::post('lines/{line}/stretches', [LineController::class, 'addStretch'])->middleware('journal:stretch-added');
    Route::get('lines/{line}/pipes', [PipeController::class, 'index']);
    Route::post('lines/{line}/pipes', [PipeController::class, 'store'])->middleware('journal:pipe-added');
    Route::patch('pipes/{pipe}', [PipeController::class, 'update'])->middleware('journal:pipe-changed');
    Route::post('pipes/{pipe}/words', [PipeController::class, 'say']);

    Route::get('sections/{section}', [SectionController::class, 'show']);
    Route::delete('sections/{section}', [SectionController::class, 'remove'])->middleware('journal:section-removed');
    Route::post('sections/{section}/tests', [SectionController::class, 'begin'])->middleware('journal:test-begun');
    Route::get('tests/{test}/stand-in', [SectionController::class, 'standIn']);
    Route::get('lines/{line}/packs', [PackController::class, 'index']);
    Route::post('lines/{line}/packs', [PackController::class, 'ask'])->middleware('journal:pack-asked');
    Route::post('tests/{test}/packs', [PackController::class, 'askForTest'])->middleware('journal:pack-asked');
    Route::get('packs/{pack}/file', [PackController::class, 'file'])->middleware('journal:pack-taken');
    Route::get('tests/{test}/pack.pdf', [SectionController::class, 'pack']);

    Route::get('stores', [StoreController::class, 'index']);
    Route::get('stores/kinds', [StoreController::class, 'kinds']);
    Route::post('stores', [StoreController::class, 'keep']);
    Route::get('stores/{item}/history', [StoreController::class, 'history']);

    Route::post('files/fusion-trace', [FileController::class, 'fusionTrace']);
    Route::post('files/pressure-log', [FileController::class, 'pressureLog']);
    Route::post('files/entries', [FileController::class, 'entries']);
    Route::post('files/wrench', [FileController::class, 'wrench']);

    Route::get('procedures', [ProcedureController::class, 'index']);
    Route::get('procedures/{procedure}', [ProcedureController::class, 'show']);
    Route::post('procedures', [ProcedureController::class, 'store'])->middleware('journal:procedure-loaded');
    Route::post('procedures/try', [ProcedureController::class, 'try']);
    Route::get('calculations', [ProcedureController::class, 'calculations']);
    Route::post('calculations/{name}', [ProcedureController::class, 'calculate'])->where('name', '[a-z0-9-]+');
    Route::post('calculations/{name}/along', [ProcedureController::class, 'along'])->where('name', '[a-z0-9-]+');
    Route::get('stand-ins/fusion-box', [ProcedureController::class, 'fusionBox']);
    Route::get('stand-ins/labels', [ProcedureController::class, 'labels']);
    Route::get('units', [ProcedureController::class, 'units']);
    Route::get('materials', [ProcedureController::class, 'materials']);
});
