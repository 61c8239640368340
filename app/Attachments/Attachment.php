<?php

namespace App\Attachments;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A file that hangs on an event.
 *
 * @property int $id
 * @property int $event_id the head
 * @property string $name
 * @property string $type of its contents, as they were found to be
 * @property int $size in octets
 * @property string $path in the file storage
 * @property ?int $added_by
 * @property Carbon $created_at
 */
final class Attachment extends Model
{
    public $timestamps = false;

    protected $table = 'event_attachments';

    protected $guarded = [];
}
