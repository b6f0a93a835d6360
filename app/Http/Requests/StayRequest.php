<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\RigJob;
use Hollin\Core\Answers\DaysAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Plan\Refused;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A stay of some days with a view of a job, and others beside it. */
final class StayRequest extends FormRequest
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
            'from' => ['nullable', 'in:days,bank,panels'],
            'value' => ['nullable', 'numeric', 'min:0.1', 'max:20000', 'required_with:from'],
            'revision' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
        ];
    }

    /** @throws Refused when there is no such view */
    public function stay(RigJob $job): DaysAnswer
    {
        $document = $job->revision($this->integer('revision') ?: $job->head)->decoded();
        $rig = (new JobAnswers($document))->seen($this->string('view')->toString());
        return new DaysAnswer($rig, $document->needs);
    }
}
