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
 * @property int|null $rig_id
 * @property string $title
 * @property string $kind
 * @property int $head
 * @property string|null $comes_on day on which the rig is brought
 * @property string|null $goes_on day on which it is fetched
 * @property Carbon|null $away_at when it was put away: it is in no list since
 * @property Carbon $updated_at
 * @property Customer|null $customer
 * @property Rig|null $rig
 */
final class RigJob extends Model
{
    protected $fillable = ['customer_id', 'rig_id', 'title', 'kind', 'head', 'comes_on', 'goes_on', 'away_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['away_at' => 'datetime'];
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Rig, $this> */
    public function rig(): BelongsTo
    {
        return $this->belongsTo(Rig::class);
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasMany<Photo, $this> */
    public function photos(): HasMany
    {
        return $this->hasMany(Photo::class);
    }

    /** @return BelongsTo<Workshop, $this> */
    public function workshop(): BelongsTo
    {
        return $this->belongsTo(Workshop::class);
    }

    private const MOST_REVISIONS = 2_147_483_647;

    /** @throws \Illuminate\Database\Eloquent\ModelNotFoundException when it has no such revision */
    public function revision(int $number): Revision
    {
        // Past what the database counts to there is none.
        return $this->revisions()
            ->where('number', $number > self::MOST_REVISIONS ? 0 : $number)
            ->firstOrFail();
    }
}
