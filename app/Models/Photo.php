<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A photograph against a component, kept as a file named by its content.
 *
 * @property int $id
 * @property string $component
 * @property string $sha256
 * @property int $bytes
 * @property int $width
 * @property int $height
 * @property string|null $note
 * @property Carbon $created_at
 * @property RigJob $rigJob
 * @property User|null $user
 */
final class Photo extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['rig_job_id', 'user_id', 'component', 'sha256', 'bytes', 'width', 'height', 'note'];

    /** @return BelongsTo<RigJob, $this> */
    public function rigJob(): BelongsTo
    {
        return $this->belongsTo(RigJob::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function file(): string
    {
        return 'photos/' . substr($this->sha256, 0, 2) . "/{$this->sha256}.jpg";
    }
}
