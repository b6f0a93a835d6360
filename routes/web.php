<?php

declare(strict_types=1);

use App\Http\Controllers\SheetController;
use Illuminate\Support\Facades\Route;

Route::post('/print-entry', [SheetController::class, 'enter']);

// Every other address is a place of the interface.
Route::view('/{place?}', 'app')->where('place', '^(?!api/|build/|up$).*')->name('login');
