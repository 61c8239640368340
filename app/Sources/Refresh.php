<?php

namespace App\Sources;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One refresh of a source and what it did.
 *
 * @property int $id
 * @property int $source_id
 * @property Carbon $at
 * @property ?array{added: int, changed: int, unchanged: int, removed: int} $counts null where it failed or nothing had changed
 * @property ?string $error
 */
final class Refresh extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['at' => 'datetime', 'counts' => 'array'];
    }
}
