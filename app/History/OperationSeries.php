<?php

namespace App\History;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A series as an operation found it and left it (see App\Events\SeriesSnapshot).
 *
 * @property int $id
 * @property int $operation_id
 * @property int $head_id
 * @property ?array{rows: list<array<string, mixed>>, categories: list<array<string, mixed>>, participants: list<array<string, mixed>>} $before
 * @property ?array{rows: list<array<string, mixed>>, categories: list<array<string, mixed>>, participants: list<array<string, mixed>>} $after
 * @property Operation $operation
 */
final class OperationSeries extends Model
{
    protected $table = 'operation_series';

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Operation, $this> */
    public function operation(): BelongsTo
    {
        return $this->belongsTo(Operation::class);
    }

    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array'];
    }
}
