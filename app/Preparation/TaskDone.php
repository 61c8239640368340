<?php

namespace App\Preparation;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * That a task is done, for one time of a series or for a single event.
 *
 * @property int $task_id
 * @property string $recurrence_id empty for a single event
 * @property ?int $done_by
 * @property Carbon $done_at
 */
final class TaskDone extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'event_task_done';

    protected $primaryKey = 'task_id';

    protected $guarded = [];
}
