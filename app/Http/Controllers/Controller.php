<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use OpenApi\Attributes as OA;

/** The API as a whole; what one request answers stands at its action. */
#[
    OA\Info(
        version: '1',
        title: 'Hollin API',
        description: 'Everything the interface does. Sessions by cookie; changing requests carry X-XSRF-TOKEN.',
    ),
]
#[OA\Server(url: '/api/v1')]
final class Controller {}
