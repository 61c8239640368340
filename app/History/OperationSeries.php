<?php

namespace App\History;

use App\Events\Write\SeriesState;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A series as an operation found it and left it.
 *
 * @property int $id
 * @property int $operation_id
 * @property int $series_id the head
 * @property ?string $before as SeriesState stores it; null where the operation added the series
 * @property ?string $after null where the operation took it away altogether
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

    public function before(): ?SeriesState
    {
        return SeriesState::ofStored($this->before);
    }

    public function after(): ?SeriesState
    {
        return SeriesState::ofStored($this->after);
    }
}
