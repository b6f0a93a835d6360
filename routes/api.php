<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ApprovalController;
use App\Http\Controllers\AuditController;
use App\Http\Controllers\BuildController;
use App\Http\Controllers\CatalogueController;
use App\Http\Controllers\CustomerController;
use App\Http\Controllers\FloorController;
use App\Http\Controllers\HereController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\JobFileController;
use App\Http\Controllers\JoinController;
use App\Http\Controllers\LogController;
use App\Http\Controllers\LooksController;
use App\Http\Controllers\PartsController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PhotoController;
use App\Http\Controllers\PlaceController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\ReferenceController;
use App\Http\Controllers\RemedyController;
use App\Http\Controllers\RigController;
use App\Http\Controllers\RulersController;
use App\Http\Controllers\ScheduleController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetUpController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\StateController;
use App\Http\Controllers\StayController;
use App\Http\Controllers\TokenController;
use App\Http\Middleware\BySession;
use App\Http\Middleware\OneBody;
use App\Http\Middleware\PrintsOneSheet;
use App\Http\Middleware\SignInHolds;
use App\Http\Middleware\TokensReadOnly;
use Illuminate\Support\Facades\Route;

// Ids as the database counts them: more digits are no address.
foreach (['job', 'photo', 'sheet', 'token', 'person', 'link', 'signIn', 'customer'] as $id) {
    Route::pattern($id, '[0-9]{1,18}');
}

Route::post('/session', [SessionController::class, 'store'])->middleware(['throttle:30,1', OneBody::class]);

Route::post('/set-up', [SetUpController::class, 'store'])->middleware(['throttle:10,1', OneBody::class]);

Route::middleware(['throttle:30,1', OneBody::class])->group(function (): void {
    Route::post('/join', [JoinController::class, 'store']);
    Route::post('/join/look', [JoinController::class, 'look']);
});

Route::middleware([
    'auth:sanctum',
    SignInHolds::class,
    PrintsOneSheet::class,
    TokensReadOnly::class,
    OneBody::class,
])->group(function (): void {
    Route::get('/session', [SessionController::class, 'show']);
    Route::delete('/session', [SessionController::class, 'destroy']);
    Route::get('/reference', [ReferenceController::class, 'show']);
    Route::get('/jobs', [FloorController::class, 'index']);
    Route::post('/jobs', [JobController::class, 'store']);
    Route::get('/rigs/{rig}', [RigController::class, 'show']);
    Route::post('/rigs/{rig}', [RigController::class, 'update']);
    Route::get('/jobs/{job}', [JobController::class, 'show']);
    Route::post('/jobs/{job}/edits', [JobController::class, 'edit']);
    Route::put('/jobs/{job}/away', [JobController::class, 'away']);
    Route::post('/jobs/{job}/undo', [JobController::class, 'undo']);
    Route::get('/jobs/{job}/looks', [LooksController::class, 'index']);
    Route::get('/jobs/{job}/revisions', [JobController::class, 'revisions']);
    Route::get('/jobs/{job}/file', [JobFileController::class, 'export']);
    Route::post('/jobs/{job}/file', [JobFileController::class, 'import']);
    Route::get('/jobs/{job}/remedies', [RemedyController::class, 'index']);
    Route::post('/jobs/{job}/states', [StateController::class, 'settle']);
    Route::get('/jobs/{job}/parts', [PartsController::class, 'show']);
    Route::post('/jobs/{job}/rulers', [RulersController::class, 'show']);
    Route::post('/jobs/{job}/place', [PlaceController::class, 'show']);
    Route::post('/jobs/{job}/stay', [StayController::class, 'show']);
    Route::post('/jobs/{job}/alternatives', [StayController::class, 'alternatives']);
    Route::get('/jobs/{job}/loads', [StayController::class, 'export']);
    Route::post('/jobs/{job}/monitor-log', [StayController::class, 'readLog']);
    Route::post('/jobs/{job}/loads', [StayController::class, 'read']);
    Route::post('/jobs/{job}/probe', [StateController::class, 'probe']);
    Route::post('/jobs/{job}/netlist', [StateController::class, 'netlist']);
    Route::get('/jobs/{job}/approvals', [ApprovalController::class, 'index']);
    Route::post('/jobs/{job}/approvals', [ApprovalController::class, 'store']);
    Route::get('/jobs/{job}/build', [BuildController::class, 'show']);
    Route::get('/jobs/{job}/build/walls', [BuildController::class, 'walls']);
    Route::get('/jobs/{job}/as-built', [BuildController::class, 'asBuilt']);
    Route::get('/jobs/{job}/labels', [BuildController::class, 'labels']);
    Route::get('/jobs/{job}/log', [LogController::class, 'index']);
    Route::post('/jobs/{job}/log', [LogController::class, 'store']);
    Route::get('/jobs/{job}/schedule', [ScheduleController::class, 'show']);
    Route::get('/jobs/{job}/calendar', [ScheduleController::class, 'calendar']);
    Route::put('/jobs/{job}/dates', [ScheduleController::class, 'dates']);
    Route::get('/floor', [ScheduleController::class, 'floor']);
    Route::get('/workshop/hours', [ScheduleController::class, 'hours']);
    Route::put('/workshop/hours', [ScheduleController::class, 'setHours']);
    Route::post('/jobs/{job}/here', [HereController::class, 'store']);
    Route::get('/jobs/{job}/baseline', [ReadingController::class, 'baseline']);
    Route::post('/jobs/{job}/readings', [ReadingController::class, 'store']);
    Route::get('/jobs/{job}/photos', [PhotoController::class, 'index']);
    Route::post('/jobs/{job}/photos', [PhotoController::class, 'store']);
    Route::get('/photos/{photo}', [PhotoController::class, 'show']);
    Route::delete('/photos/{photo}', [PhotoController::class, 'destroy']);
    Route::get('/catalogue', [CatalogueController::class, 'index']);
    Route::get('/catalogue/file', [CatalogueController::class, 'file']);
    Route::post('/catalogue/file', [CatalogueController::class, 'read']);
    Route::put('/catalogue/terms', [CatalogueController::class, 'terms']);
    Route::put('/catalogue/offers/{code}', [CatalogueController::class, 'put']);
    Route::delete('/catalogue/offers/{code}', [CatalogueController::class, 'drop']);
    Route::get('/tokens', [TokenController::class, 'index']);
    Route::post('/tokens', [TokenController::class, 'store'])->middleware(['throttle:20,1', BySession::class]);
    Route::delete('/tokens/{token}', [TokenController::class, 'destroy']);
    Route::post('/jobs/{job}/sheets', [SheetController::class, 'store']);
    Route::get('/sheets/{sheet}', [SheetController::class, 'show']);
    Route::get('/sheets/{sheet}/pdf', [SheetController::class, 'pdf']);

    Route::middleware(BySession::class)->group(function (): void {
        Route::get('/people', [PeopleController::class, 'index']);
        Route::post('/people/invitations', [PeopleController::class, 'invite'])->middleware('throttle:30,1');
        Route::delete('/people/links/{link}', [PeopleController::class, 'takeBack']);
        Route::post('/people/{person}/role', [PeopleController::class, 'changeRole']);
        Route::post('/people/{person}/reset', [PeopleController::class, 'reset'])->middleware('throttle:30,1');
        Route::post('/people/{person}/leave', [PeopleController::class, 'leave']);
        Route::post('/people/{person}/return', [PeopleController::class, 'letIn']);
        Route::get('/account/sign-ins', [AccountController::class, 'signIns']);
        Route::delete('/account/sign-ins', [AccountController::class, 'endOthers']);
        Route::delete('/account/sign-ins/{signIn}', [AccountController::class, 'end']);
        Route::post('/account/password', [AccountController::class, 'password']);
        Route::get('/customers', [CustomerController::class, 'index']);
        Route::get('/customers/{customer}/traces', [CustomerController::class, 'traces']);
        Route::post('/customers/{customer}/erase', [CustomerController::class, 'erase']);
        Route::get('/audit', [AuditController::class, 'index']);
    });
});
