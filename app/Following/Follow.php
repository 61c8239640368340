<?php

namespace App\Following;

use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Overlays\Overlay;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\Pace;

/**
 * That somebody wants to be told of what becomes of something, when, and how.
 *
 * @property int $id
 * @property int $person_id
 * @property FollowedKind $kind
 * @property string $target kind and ids in one
 * @property ?int $calendar_id
 * @property ?int $category_id
 * @property ?int $overlay_id
 * @property ?int $followed_id the person who is followed
 * @property ?int $event_id the head
 * @property list<string> $wanted of what they are told, as FollowedChange has them
 * @property Pace $pace
 * @property bool $by_mail
 * @property bool $in_inbox
 * @property ?Calendar $calendar
 * @property ?Category $category
 * @property ?Overlay $overlay
 * @property ?Person $followed
 * @property ?EventRecord $event
 */
final class Follow extends Model
{
    /** What becomes of what somebody takes part in; that they are asked is told by itself. */
    private const MINE = [FollowedChange::Moved, FollowedChange::Changed, FollowedChange::Cancelled, FollowedChange::Answered];

    protected $guarded = [];

    /** What holds for who has said nothing: what they take part in, as it happens. */
    public static function mine(int $personId): self
    {
        return new self([
            'person_id' => $personId, 'kind' => FollowedKind::Mine, 'target' => FollowedKind::Mine->value, 'wanted' => array_column(self::MINE, 'value'), 'pace' => Pace::Now, 'by_mail' => true, 'in_inbox' => true,
        ]);
    }

    public function wants(FollowedChange $change): bool
    {
        return in_array($change->value, $this->wanted, true);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Category, $this> */
    public function category(): BelongsTo
    {
        return $this->belongsTo(Category::class);
    }

    /** @return BelongsTo<Overlay, $this> */
    public function overlay(): BelongsTo
    {
        return $this->belongsTo(Overlay::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function followed(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'followed_id');
    }

    /** @return BelongsTo<EventRecord, $this> */
    public function event(): BelongsTo
    {
        return $this->belongsTo(EventRecord::class);
    }

    protected function casts(): array
    {
        return ['kind' => FollowedKind::class, 'wanted' => 'array', 'pace' => Pace::class, 'by_mail' => 'boolean', 'in_inbox' => 'boolean'];
    }
}
