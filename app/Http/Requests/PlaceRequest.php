<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\PlaceAnswer;
use Hollin\Core\Plan\Refused;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** Where things stand in a view, and some of them tried elsewhere. */
final class PlaceRequest extends FormRequest
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
            'moved' => ['nullable', 'array', 'max:40'],
            'moved.*' => ['array:xM,leftM,upM,zone'],
            'moved.*.xM' => ['nullable', 'numeric', 'min:-4', 'max:18'],
            'moved.*.leftM' => ['nullable', 'numeric', 'min:-1.5', 'max:1.5'],
            'moved.*.upM' => ['nullable', 'numeric', 'min:-1.2', 'max:3.5'],
            'moved.*.zone' => ['nullable', 'string', 'max:40'],
        ];
    }

    /** @throws Refused when there is no such view */
    public function answer(RigJob $job): PlaceAnswer
    {
        $document = $job->revision($this->integer('revision') ?: $job->head)->decoded();
        $answers = new JobAnswers($document);
        $view = $this->string('view')->toString();
        $rig = $answers->seen($view);
        $moved = [];
        foreach ((array) $this->validated('moved', []) as $id => $to) {
            $said = array_filter((array) $to, fn(mixed $v): bool => $v !== null);
            foreach ($said as $name => $value) {
                $moved[(string) $id][(string) $name] = $name === 'zone' ? $value : (float) $value;
            }
        }

        return new PlaceAnswer(
            $answers->seen('as_found')->graph,
            $rig->graph,
            $document,
            $view === 'as_found' ? '' : explode('/', $view)[0],
            $moved,
        );
    }
}
