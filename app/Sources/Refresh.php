<?php

namespace App\Sources;

use App\History\Operation;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Sources\RefreshState;

/**
 * One refresh of a source and what it did.
 *
 * @property int $id
 * @property int $source_id
 * @property Carbon $at
 * @property ?array{added: int, changed: int, unchanged: int, removed: int} $counts null where it failed or nothing had changed
 * @property ?string $error
 * @property RefreshState $state
 * @property ?int $operation_id that it was, as long as that is kept
 * @property ?string $digest of what came, see Plan::digest()
 * @property ?string $path of what came, in the storage, while somebody is asked about it
 * @property ?Operation $operation
 */
final class Refresh extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['state' => 'done', 'operation_id' => null, 'digest' => null, 'path' => null];

    /** @return BelongsTo<Operation, $this> */
    public function operation(): BelongsTo
    {
        return $this->belongsTo(Operation::class);
    }

    /** Whether it changed something that can be taken back. */
    public function isReversible(): bool
    {
        return $this->state === RefreshState::Done && $this->operation_id !== null;
    }

    /** @return array{added: int, changed: int, unchanged: int, removed: int} */
    public function counted(): array
    {
        return $this->counts ?? ['added' => 0, 'changed' => 0, 'unchanged' => 0, 'removed' => 0];
    }

    protected function casts(): array
    {
        return ['at' => 'datetime', 'counts' => 'array', 'state' => RefreshState::class];
    }
}
