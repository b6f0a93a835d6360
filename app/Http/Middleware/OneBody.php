<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use JsonException;
use stdClass;
use Symfony\Component\HttpFoundation\Response;

/**
 * What a changing request means stands in its body alone: one JSON object, or the form that a photograph comes in. A
 * query beside it says nothing, so that what is allowed and what is done are read from the same place.
 */
final class OneBody
{
    /** Deeper than any body needs to be. */
    private const DEPTH = 40;

    /** What comes with its query or as a form, by the end of its address. */
    private const WITH_QUERY = 'api/v1/jobs/*/file';

    private const FORMS = 'api/v1/jobs/*/photos';

    private const FORM_TYPES = ['multipart/form-data', 'application/x-www-form-urlencoded'];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethodSafe()) {
            return $next($request);
        }
        // A method said in a header or a field would be another request than the one that is looked at.
        if ($request->getRealMethod() !== $request->getMethod()) {
            abort(405, 'Send the method itself.');
        }
        $type = strtolower(trim(explode(';', (string) $request->header('Content-Type'))[0]));
        $text = $request->getContent();
        if ($request->is(self::WITH_QUERY)) {
            // A job file is read as it is, by what knows it.
            abort_unless($type === 'application/json', 415, 'Send the job file as application/json.');

            return $next($request);
        }
        $request->query->replace([]);
        if ($request->is(self::FORMS) && in_array($type, self::FORM_TYPES, true)) {
            return $next($request);
        }
        if ($text === '' && $request->request->count() === 0) {
            return $next($request);
        }
        abort_unless($type === 'application/json', 415, 'Send the body as application/json.');
        try {
            $body = json_decode($text, false, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            return self::refuse('', "is not JSON that can be read: {$e->getMessage()}.");
        }
        // Some programs cannot but write an empty object as an empty list.
        if (!($body instanceof stdClass) && $body !== []) {
            return self::refuse('', 'must be an object: { … }.');
        }
        $endless = self::endless($body, '');

        return $endless === null ? $next($request) : self::refuse($endless, 'is a number too large to reckon with.');
    }

    private static function refuse(string $pointer, string $message): Response
    {
        return response()->json(
            [
                'message' => 'The body ' . ($pointer === '' ? '' : "at {$pointer} ") . $message,
                'problems' => [['pointer' => $pointer, 'message' => $message]],
            ],
            422,
        );
    }

    /** Place of a number that became infinite on the way in, or null. */
    private static function endless(mixed $at, string $pointer): ?string
    {
        if (is_float($at) && !is_finite($at)) {
            return $pointer;
        }
        foreach ($at instanceof stdClass ? get_object_vars($at) : (is_array($at) ? $at : []) as $name => $value) {
            $found = self::endless($value, "{$pointer}/{$name}");
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}
