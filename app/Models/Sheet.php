<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A plan sheet being printed to PDF.
 *
 * @property int $id
 * @property int $rig_job_id
 * @property int $user_id
 * @property int $revision
 * @property string $view
 * @property string $paper
 * @property string $status
 * @property string|null $trouble
 * @property string|null $token_hash
 * @property string|null $file
 * @property RigJob $rigJob
 * @property User $user
 */
final class Sheet extends Model
{
    protected $fillable = [
        'rig_job_id',
        'user_id',
        'revision',
        'view',
        'paper',
        'status',
        'trouble',
        'token_hash',
        'file',
    ];

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
}
