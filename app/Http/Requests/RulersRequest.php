<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Actions\Catalogue;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Answers\RulersAnswer;
use Hollin\Core\Parts\RunCost;
use Hollin\Core\Plan\Refused;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** The rulers of a view, and a cable to be tried. */
final class RulersRequest extends FormRequest
{
    public function authorize(): Response
    {
        return Gate::inspect('view', $this->route('job'));
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'view' => ['required', 'string', 'max:120'],
            'revision' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
            'component' => ['nullable', 'string', 'max:60', 'required_with:place'],
            'place' => ['nullable', 'in:cable,cord', 'required_with:component'],
            'size' => ['nullable', 'string', 'max:20'],
            'lengthM' => ['nullable', 'numeric', 'min:0.02', 'max:100'],
        ];
    }

    /**
     * @return array<string, mixed>
     * @throws Refused when there is no such view, part or size
     */
    public function answer(RigJob $job): array
    {
        $document = $job->revision($this->integer('revision') ?: $job->head)->decoded();
        $view = $this->string('view')->toString();
        $place = $this->string('place')->toString();
        $try = array_filter(
            [
                "{$place}/size" => $this->filled('size') ? $this->string('size')->toString() : null,
                "{$place}/lengthM" => $this->filled('lengthM') ? $this->float('lengthM') : null,
            ],
            fn(mixed $v): bool => $v !== null,
        );

        $cost = new RunCost(app(Catalogue::class)->offers(User::of($this)->workshop));

        return $this->filled('component')
            ? RulersAnswer::trying($document, $view, $this->string('component')->toString(), $try, $cost)
            : RulersAnswer::of($document, $view, $cost);
    }
}
