<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/**
 * A state rule that goes by nothing but what is joined on the battery side: what the other side does is all one to it.
 */
interface OfDirectCurrent {}
