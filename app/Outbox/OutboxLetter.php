<?php

namespace App\Outbox;

use App\Directory\Person;
use App\Invitations\EventInvitation;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A letter that is to go out, or has gone. What it says is worked out when it is sent: here stands only to whom, and about what.
 *
 * @property int $id
 * @property LetterKind $kind
 * @property ?string $slot of those that wait, one has it: what changes meanwhile is in that one
 * @property ?int $invitation_id
 * @property ?int $person_id null where the directory does not know who it goes to
 * @property string $address
 * @property ?array<string, mixed> $about what its kind needs to write it
 * @property LetterState $state
 * @property Carbon $due_at it is not sent before
 * @property ?Carbon $claimed_until a worker is at it until then
 * @property int $attempts
 * @property string $problem why it did not go, or was not sent
 * @property ?Carbon $sent_at
 * @property Carbon $created_at
 */
final class OutboxLetter extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'outbox';

    protected $guarded = [];

    /** @return BelongsTo<EventInvitation, $this> */
    public function invitation(): BelongsTo
    {
        return $this->belongsTo(EventInvitation::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** The same each time it is sent (RFC 5322, 3.6.4): who has it twice sees it once. */
    public function messageId(): string
    {
        return "letter-{$this->id}@".LetterMessage::domain();
    }

    protected function casts(): array
    {
        return [
            'kind' => LetterKind::class, 'state' => LetterState::class, 'about' => 'array', 'due_at' => 'datetime', 'claimed_until' => 'datetime', 'sent_at' => 'datetime',
        ];
    }
}
