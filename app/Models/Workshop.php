<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $timezone
 * @property ?string $hour_price what an hour of work costs
 * @property string $currency
 */
final class Workshop extends Model
{
    protected $fillable = ['name', 'timezone', 'hour_price', 'currency'];

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

    /** @return HasMany<CatalogueEntry, $this> */
    public function catalogueEntries(): HasMany
    {
        return $this->hasMany(CatalogueEntry::class);
    }

    /** What an hour of work costs; null where nobody has said. */
    public function hour(): ?float
    {
        return $this->hour_price === null ? null : (float) $this->hour_price;
    }
}
