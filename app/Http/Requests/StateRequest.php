<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Plan\Refused;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A view of a job with its controls set by hand, and which loads run. */
final class StateRequest extends FormRequest
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
            'controls' => ['nullable', 'array', 'max:400'],
            'controls.*' => ['string', 'max:60'],
            'surroundings' => ['nullable', 'array', 'max:40'],
            'surroundings.*' => ['string', 'max:60'],
            'running' => ['nullable', 'array', 'max:200'],
            'running.*' => ['string', 'max:80'],
            'charge' => ['nullable', 'in:full,half,low'],
            'function' => ['nullable', 'string', 'max:40'],
            'a' => ['nullable', 'string', 'max:120'],
            'b' => ['nullable', 'string', 'max:120'],
            'zeroed' => ['nullable', 'boolean'],
        ];
    }

    /** @throws Refused when there is no such view, control, position or load */
    public function state(RigJob $job): StateAnswer
    {
        $revision = $job->revision($this->integer('revision') ?: $job->head);
        $rig = (new JobAnswers($revision->decoded()))->seen($this->string('view')->toString());
        /** @var array<string, string> $controls */
        $controls = (array) $this->input('controls', []);
        /** @var array<string, string> $surroundings */
        $surroundings = (array) $this->input('surroundings', []);
        /** @var list<string> $running */
        $running = array_values((array) $this->input('running', []));

        return new StateAnswer($rig, $controls, $surroundings, $running, $this->string('charge')->toString() ?: null);
    }
}
