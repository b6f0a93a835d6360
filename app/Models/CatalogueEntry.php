<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use stdClass;

/**
 * What a workshop has written over the catalogue that ships.
 *
 * @property int $id
 * @property string $code
 * @property ?stdClass $body null where the workshop has taken it out
 */
final class CatalogueEntry extends Model
{
    protected $fillable = ['code', 'body'];

    protected function casts(): array
    {
        return ['body' => 'object'];
    }
}
