<?php

declare(strict_types=1);

use App\Http\Controllers\SheetController;
use Illuminate\Support\Facades\Route;

Route::get('/print-entry/{token}', [SheetController::class, 'enter'])->where('token', '[A-Za-z0-9]{48}');

// Every other address is a place of the interface.
Route::view('/{place?}', 'app')->where('place', '^(?!api/|build/|up$).*')->name('login');
