<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A vehicle or trailer that comes in, perhaps again. What is in it electrically is in its jobs.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int|null $customer_id
 * @property string $name
 * @property string $kind
 * @property string $note what one wants to know the next time
 * @property Customer|null $customer
 */
final class Rig extends Model
{
    protected $fillable = ['customer_id', 'name', 'kind', 'note'];

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return HasMany<RigJob, $this> */
    public function rigJobs(): HasMany
    {
        return $this->hasMany(RigJob::class);
    }
}
