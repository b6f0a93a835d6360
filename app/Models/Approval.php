<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A lead's word that a plan is built as it stands at a revision, with what stayed open. Never changed.
 *
 * @property int $id
 * @property int $rig_job_id
 * @property string $uuid
 * @property int $revision
 * @property string $plan
 * @property string|null $words
 * @property string $open
 * @property string $rules
 * @property Carbon $created_at
 * @property User|null $user
 */
final class Approval extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'uuid', 'revision', 'plan', 'words', 'open', 'rules'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return list<array<string, mixed>> findings that were open, each with why it may be */
    public function findings(): array
    {
        /** @var list<array<string, mixed>> $open */
        $open = json_decode($this->open, true, 16, JSON_THROW_ON_ERROR);

        return $open;
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return [
            'revision' => $this->revision,
            'plan' => $this->plan,
            'words' => $this->words,
            'rules' => $this->rules,
            'open' => $this->findings(),
            'by' => $this->user?->name,
            'at' => $this->created_at->toIso8601ZuluString(),
        ];
    }
}
