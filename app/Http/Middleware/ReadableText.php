<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Text that is no text: bytes that are not UTF-8, or a null character, in an address, a query or a form. */
final class ReadableText
{
    public function handle(Request $request, Closure $next): Response
    {
        $this->look('', rawurldecode($request->getPathInfo()));
        foreach ([$request->query->all(), $request->isJson() ? [] : $request->request->all()] as $given) {
            $this->look('', $given);
        }

        return $next($request);
    }

    private function look(string $pointer, mixed $value): void
    {
        if (is_array($value)) {
            foreach ($value as $name => $item) {
                $this->look($pointer, (string) $name);
                $this->look("{$pointer}/{$name}", $item);
            }
        } elseif (is_string($value) && (!mb_check_encoding($value, 'UTF-8') || str_contains($value, "\0"))) {
            throw Refused::because(
                mb_check_encoding($pointer, 'UTF-8') ? $pointer : '',
                'is no text: it must be UTF-8 without null characters.',
            );
        }
    }
}
