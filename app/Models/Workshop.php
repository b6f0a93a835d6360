<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Schedule\Hours;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $timezone
 * @property ?string $hour_price what an hour of work costs
 * @property string $currency
 * @property ?string $hours working days and hours
 * @property int $bays rigs that stand in it at a time
 */
final class Workshop extends Model
{
    protected $fillable = ['name', 'timezone', 'hour_price', 'currency', 'hours', 'bays'];

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

    /** When people work here; Monday to Friday where nobody has said. */
    public function open(): Hours
    {
        $kept = $this->hours === null ? null : json_decode($this->hours, true, 8);
        $usual = Hours::usual($this->timezone);
        if (!is_array($kept)) {
            return $usual;
        }
        $week = [];
        foreach ($kept['week'] ?? [] as $day => $spans) {
            $week[(int) $day] = array_map(
                fn(array $s): array => [(int) $s[0], (int) $s[1]],
                array_values((array) $spans),
            );
        }

        return new Hours(
            $usual->zone,
            $week,
            array_values(array_map(strval(...), $kept['closed'] ?? [])),
            (float) ($kept['latitude'] ?? $usual->latitude),
            (float) ($kept['longitude'] ?? $usual->longitude),
        );
    }

    /** What an hour of work costs; null where nobody has said. */
    public function hour(): ?float
    {
        return $this->hour_price === null ? null : (float) $this->hour_price;
    }
}
