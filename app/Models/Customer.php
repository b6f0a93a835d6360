<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 */
final class Customer extends Model
{
    protected $fillable = ['name'];

    /** @return HasMany<RigJob, $this> */
    public function rigJobs(): HasMany
    {
        return $this->hasMany(RigJob::class);
    }

    /** @return HasMany<Rig, $this> */
    public function rigs(): HasMany
    {
        return $this->hasMany(Rig::class);
    }
}
