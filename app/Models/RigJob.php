<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A job on one rig. Its design is the document of its head revision.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int|null $customer_id
 * @property string $title
 * @property string $kind
 * @property int $head
 * @property Carbon $updated_at
 * @property Customer|null $customer
 */
final class RigJob extends Model
{
    protected $fillable = ['customer_id', 'title', 'kind', 'head'];

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    public function revision(int $number): Revision
    {
        return $this->revisions()->where('number', $number)->firstOrFail();
    }
}
