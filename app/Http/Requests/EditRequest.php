<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\RigJob;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Refused;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use stdClass;

/** An edit of a job: an intent on a base revision, under a UUID of the client's making. */
final class EditRequest extends FormRequest
{
    public function authorize(): Response
    {
        $job = $this->route('job');
        assert($job instanceof RigJob);
        // Decided by the very intent that is carried out, never by a query that says otherwise.
        try {
            $kind = $this->intent()->kind ?? null;
        } catch (Refused) {
            $kind = null;
        }

        return Gate::inspect(Intents::right(is_string($kind) ? $kind : null)->value, $job);
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'uuid' => ['required', 'uuid'],
            'base' => ['required', 'integer', 'min:1', 'max:2147483647'],
            'intent' => ['required', 'array', 'max:12'],
            'want' => ['array', 'max:20'],
            'have' => ['array', 'max:60'],
        ];
    }

    public function uuid(): string
    {
        return $this->string('uuid')->value();
    }

    public function base(): int
    {
        return $this->integer('base');
    }

    /** The intent as sent: decoded from the body, so that an empty object stays an object. */
    public function intent(): stdClass
    {
        $body = json_decode($this->getContent(), false, 24);
        $intent = $body instanceof stdClass ? $body->intent ?? null : null;

        return $intent instanceof stdClass
            ? $intent
            : throw Refused::because('/intent', 'must be an object with its kind.');
    }

    /** @return list<string> */
    public function words(string $name): array
    {
        return array_values(
            array_filter(
                (array) $this->input($name, []),
                fn(mixed $word): bool => is_string($word) && strlen($word) <= 120,
            ),
        );
    }
}
