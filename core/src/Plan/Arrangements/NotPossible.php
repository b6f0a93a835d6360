<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use RuntimeException;

/** The rig as surveyed lacks what an arrangement needs; the message says what to survey first. */
final class NotPossible extends RuntimeException {}
