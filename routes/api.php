<?php

declare(strict_types=1);

use App\Http\Controllers\HereController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\JobFileController;
use App\Http\Controllers\PhotoController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\ReferenceController;
use App\Http\Controllers\RemedyController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetUpController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\StateController;
use App\Http\Controllers\TokenController;
use App\Http\Middleware\TokensReadOnly;
use Illuminate\Support\Facades\Route;

Route::post('/session', [SessionController::class, 'store'])->middleware('throttle:30,1');

Route::post('/set-up', [SetUpController::class, 'store'])->middleware('throttle:10,1');

Route::middleware(['auth:sanctum', TokensReadOnly::class])->group(function (): void {
    Route::get('/session', [SessionController::class, 'show']);
    Route::delete('/session', [SessionController::class, 'destroy']);
    Route::get('/reference', [ReferenceController::class, 'show']);
    Route::get('/jobs', [JobController::class, 'index']);
    Route::post('/jobs', [JobController::class, 'store']);
    Route::get('/jobs/{job}', [JobController::class, 'show'])->whereNumber('job');
    Route::post('/jobs/{job}/edits', [JobController::class, 'edit'])->whereNumber('job');
    Route::post('/jobs/{job}/undo', [JobController::class, 'undo'])->whereNumber('job');
    Route::get('/jobs/{job}/revisions', [JobController::class, 'revisions'])->whereNumber('job');
    Route::get('/jobs/{job}/file', [JobFileController::class, 'export'])->whereNumber('job');
    Route::post('/jobs/{job}/file', [JobFileController::class, 'import'])->whereNumber('job');
    Route::get('/jobs/{job}/remedies', [RemedyController::class, 'index'])->whereNumber('job');
    Route::post('/jobs/{job}/states', [StateController::class, 'settle'])->whereNumber('job');
    Route::post('/jobs/{job}/probe', [StateController::class, 'probe'])->whereNumber('job');
    Route::post('/jobs/{job}/netlist', [StateController::class, 'netlist'])->whereNumber('job');
    Route::post('/jobs/{job}/here', [HereController::class, 'store'])->whereNumber('job');
    Route::get('/jobs/{job}/baseline', [ReadingController::class, 'baseline'])->whereNumber('job');
    Route::post('/jobs/{job}/readings', [ReadingController::class, 'store'])->whereNumber('job');
    Route::get('/jobs/{job}/photos', [PhotoController::class, 'index'])->whereNumber('job');
    Route::post('/jobs/{job}/photos', [PhotoController::class, 'store'])->whereNumber('job');
    Route::get('/photos/{photo}', [PhotoController::class, 'show'])->whereNumber('photo');
    Route::delete('/photos/{photo}', [PhotoController::class, 'destroy'])->whereNumber('photo');
    Route::get('/tokens', [TokenController::class, 'index']);
    Route::post('/tokens', [TokenController::class, 'store'])->middleware('throttle:20,1');
    Route::delete('/tokens/{token}', [TokenController::class, 'destroy'])->whereNumber('token');
    Route::post('/jobs/{job}/sheets', [SheetController::class, 'store'])->whereNumber('job');
    Route::get('/sheets/{sheet}', [SheetController::class, 'show'])->whereNumber('sheet');
    Route::get('/sheets/{sheet}/pdf', [SheetController::class, 'pdf'])->whereNumber('sheet');
});
