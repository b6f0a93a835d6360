<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Actions\Catalogue;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Answers\AlternativesAnswer;
use Hollin\Core\Answers\DaysAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Parts\EnergyPrices;
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
            'from' => ['nullable', 'in:days,bank,panels,budget'],
            'value' => ['nullable', 'numeric', 'min:0.1', 'max:1000000', 'required_with:from'],
            'revision' => ['nullable', 'integer', 'min:1', 'max:2147483647'],
            'together' => ['nullable', 'array', 'max:8'],
            'together.*' => ['string', 'max:40'],
            'ways' => ['nullable', 'array', 'min:1', 'max:4'],
            'ways.*' => ['array:ah,chemistry,panelsW,generatorBelow'],
            'ways.*.ah' => ['nullable', 'numeric', 'min:5', 'max:8000'],
            'ways.*.chemistry' => ['nullable', 'in:lfp,flooded,agm,gel'],
            'ways.*.panelsW' => ['nullable', 'numeric', 'min:0', 'max:8000'],
            'ways.*.generatorBelow' => ['nullable', 'numeric', 'min:0', 'max:95'],
        ];
    }

    /** @throws Refused when there is no such view */
    public function stay(RigJob $job): DaysAnswer
    {
        $document = $job->revision($this->integer('revision') ?: $job->head)->decoded();
        $rig = (new JobAnswers($document))->seen($this->string('view')->toString());
        return new DaysAnswer(
            $rig,
            $document->needs,
            $this->prices(),
            array_values(array_map(strval(...), (array) $this->validated('together', []))),
        );
    }

    /**
     * @return list<array<string, mixed>>
     * @throws Refused when there is no such view, or no bank in it
     */
    public function alternatives(RigJob $job): array
    {
        $ways = null;
        foreach ((array) $this->validated('ways', []) as $way) {
            $said = [];
            foreach ((array) $way as $name => $value) {
                match (true) {
                    $value === null => null,
                    $name === 'chemistry' => ($said['chemistry'] = (string) $value),
                    $name === 'ah' => ($said['ah'] = (float) $value),
                    $name === 'panelsW' => ($said['panelsW'] = (float) $value),
                    default => ($said['generatorBelow'] = (float) $value),
                };
            }
            $ways[] = $said;
        }

        return AlternativesAnswer::of(
            $job->revision($this->integer('revision') ?: $job->head)->decoded(),
            $this->string('view')->toString(),
            $this->prices(),
            $ways,
        );
    }

    private function prices(): EnergyPrices
    {
        return new EnergyPrices(app(Catalogue::class)->offers(User::of($this)->workshop));
    }
}
