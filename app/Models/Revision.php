<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Document\JobFile;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use stdClass;

/**
 * One state of a job's design, and the edit that made it. Never rewritten.
 *
 * @property int $id
 * @property int $rig_job_id
 * @property int $number
 * @property string $uuid
 * @property int|null $user_id
 * @property string $kind
 * @property string $words
 * @property int|null $undoes
 * @property string $document
 * @property string $sha256
 * @property string $patch
 * @property string $inverse
 * @property Carbon $created_at
 * @property User|null $user
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = [
        'number',
        'uuid',
        'user_id',
        'kind',
        'words',
        'undoes',
        'document',
        'sha256',
        'patch',
        'inverse',
    ];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    private ?stdClass $decoded = null;

    /** Its document; nobody changes it in place. */
    public function decoded(): stdClass
    {
        if ($this->decoded === null) {
            $document = json_decode($this->document, false, 512, JSON_THROW_ON_ERROR);
            $this->decoded = $document instanceof stdClass ? $document : JobFile::blank('');
        }

        return $this->decoded;
    }

    /** Says what its text was written from, so that it need not be read again. */
    public function decodesTo(stdClass $document): void
    {
        $this->decoded = $document;
    }

    /** @return list<array<string, mixed>> */
    public function operations(): array
    {
        return self::decode($this->patch);
    }

    /** @return list<array<string, mixed>> */
    public function inverseOperations(): array
    {
        return self::decode($this->inverse);
    }

    /**
     * Values stay objects: an empty map must not become a list.
     *
     * @return list<array<string, mixed>>
     */
    private static function decode(string $patch): array
    {
        /** @var list<stdClass> $operations */
        $operations = json_decode($patch, false, 512, JSON_THROW_ON_ERROR);

        return array_map(fn(stdClass $o): array => (array) $o, $operations);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['created_at' => 'datetime'];
    }
}
