<?php

namespace App\Invitations;

use App\Events\EventRecord;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\ParticipantAnswer;

/**
 * Something that came back by mail and waits for whoever asked.
 *
 * @property int $id
 * @property int $event_id the head
 * @property ?int $invitation_id null where it is not known whose it is
 * @property ReplyKind $kind
 * @property string $sender the address that it says it is from
 * @property ?ParticipantAnswer $answer
 * @property ?string $occurrence the time that is meant (see RecurrenceId); null: all of it
 * @property ?string $starts as proposed (see RecurrenceId)
 * @property ?string $ends exclusive
 * @property string $note
 * @property ?ReplyReason $reason
 * @property ?Carbon $handled_at
 * @property Carbon $created_at
 */
final class ReceivedReply extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<EventInvitation, $this> */
    public function invitation(): BelongsTo
    {
        return $this->belongsTo(EventInvitation::class);
    }

    /** @return BelongsTo<EventRecord, $this> */
    public function event(): BelongsTo
    {
        return $this->belongsTo(EventRecord::class, 'event_id');
    }

    protected function casts(): array
    {
        return ['kind' => ReplyKind::class, 'answer' => ParticipantAnswer::class, 'reason' => ReplyReason::class, 'handled_at' => 'datetime'];
    }
}
