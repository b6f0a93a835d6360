<?php

declare(strict_types=1);

// Nobody else's page has any business with this application: no other origin is allowed.
return ['paths' => []];
