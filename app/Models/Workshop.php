<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $timezone
 */
final class Workshop extends Model
{
    protected $fillable = ['name', 'timezone'];

    /** @return HasMany<User, $this> */
    public function users(): HasMany
    {
        return $this->hasMany(User::class);
    }

    /** @return HasMany<PersonLink, $this> */
    public function personLinks(): HasMany
    {
        return $this->hasMany(PersonLink::class);
    }

    /** @return HasMany<RigJob, $this> */
    public function rigJobs(): HasMany
    {
        return $this->hasMany(RigJob::class);
    }

    /** @return HasMany<Customer, $this> */
    public function customers(): HasMany
    {
        return $this->hasMany(Customer::class);
    }

    /** @return HasMany<Rig, $this> */
    public function rigs(): HasMany
    {
        return $this->hasMany(Rig::class);
    }
}
