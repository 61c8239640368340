<?php

namespace App\Invitations;

use App\Directory\Person;
use App\Events\EventRecord;
use App\Outbox\LetterMessage;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Invitations\AnswerCode;
use PinnedRota\Core\Invitations\Invited;

/**
 * Somebody who is asked to an event by mail, and what they were told of it.
 *
 * @property int $id
 * @property int $event_id the head, which may be gone for good
 * @property ?int $person_id null where the directory does not know them
 * @property string $address in lower case
 * @property ?string $told as Invited::write has it; null where they have nothing of it in their diary
 * @property int $sequence of the last message
 * @property int $asked_from of the message since which answers count: what was answered before was to another time
 * @property ?Carbon $told_at
 * @property ?Carbon $bounced_at when a letter came back that did not arrive
 * @property string $bounce why
 */
final class EventInvitation extends Model
{
    protected $table = 'event_invitations';

    protected $guarded = [];

    /** The invitation that a code stands for; null where nobody here signed it. */
    public static function ofCode(string $code): ?self
    {
        $id = AnswerCode::read($code, self::key());

        return $id === null ? null : self::query()->find($id);
    }

    /** @return BelongsTo<EventRecord, $this> also where it is deleted */
    public function event(): BelongsTo
    {
        return $this->belongsTo(EventRecord::class, 'event_id')->withTrashed();
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** What stands for it in links and addresses. */
    public function code(): string
    {
        return AnswerCode::of($this->id, self::key());
    }

    /** Where answers to it go by mail. */
    public function answerAddress(): string
    {
        return AnswerCode::address(LetterMessage::site(), $this->code());
    }

    public function answerUrl(string $answer = ''): string
    {
        return url('/asked/'.$this->code()).($answer === '' ? '' : "?answer={$answer}");
    }

    /** Whoever it is of, to be found among those who take part. */
    public function participant(): Participant
    {
        return $this->person_id === null ? new Participant("mailto:{$this->address}") : Participant::standingFor(Party::person($this->person_id));
    }

    public function toldSeries(): ?Series
    {
        return $this->told === null ? null : Invited::read($this->told);
    }

    protected function casts(): array
    {
        return ['told_at' => 'datetime', 'bounced_at' => 'datetime', 'sequence' => 'integer', 'asked_from' => 'integer'];
    }

    private static function key(): string
    {
        return (string) config('app.key');
    }
}
