<?php

namespace App\Events;

use App\Attachments\AttachmentData;
use App\Imports\OriginData;
use App\Participants\EventParticipantData;
use App\Participants\OrganiserData;
use App\Pins\PinData;
use App\Preparation\TaskData;
use App\Recurrence\RepeatData;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;

/** An event, or one time of it, as one viewer sees it. Times are on the wall of its zone; ends are exclusive. */
final readonly class EventData
{
    /**
     * @param  ?string  $startsAt  The moment in UTC; null of dates and floating times
     * @param  ?string  $endTimezone  In which the end was told, where that is another
     * @param  ?string  $endThere  The end on the wall of that zone
     * @param  list<EventLinkData>  $links  Addresses that came with it, beside its own link
     * @param  list<string>  $categories
     * @param  list<EventParticipantData>  $participants
     * @param  'unanswered'|'accepted'|'declined'|'tentative'|'delegated'|'waiting'|null  $answer  What the viewer has answered, where they are asked: themselves, or as one of a group
     * @param  list<int>  $ownReminders  Minutes before the start at which the viewer is reminded
     * @param  ?OrganiserData  $organiser  Whoever asks those who take part
     * @param  ?int  $places  How many may come; null: no end to them
     * @param  int  $placesTaken  How many of them are taken, where there is an end
     * @param  ?int  $waitsAt  At which place of those who wait for one the viewer is, from 1
     * @param  ?int  $travel  Minutes that it takes to get there
     * @param  ?string  $leave  When one leaves for it, on the wall of its zone
     * @param  list<GuestRight>  $guests  What those who are asked may do beyond answering
     * @param  ?AskWhen  $askWhen  From when on they are asked; null: as its calendar has it
     * @param  bool  $asks  Whether it asks them, as it stands
     * @param  bool  $mayBring  Whether the viewer may ask others to it, though they may not change it
     * @param  bool  $mayDelete  Whether the viewer may delete it, and put it elsewhere
     * @param  bool  $seesAsked  Whether the viewer sees who else is asked
     * @param  ?bool  $remarks  Whether the viewer may remark on it; null where nobody may
     * @param  int  $priority  0 none, 1 highest to 9 lowest
     * @param  ?Colour  $colour  Its own, whatever the layer has
     * @param  list<int>  $reminders  Minutes before the start
     * @param  list<AttachmentData>  $attachments
     * @param  list<TaskData>  $tasks
     * @param  ?OriginData  $origin  From which line of which document it was brought in, for those who may change it
     * @param  list<PinData>  $pins  Further calendars on which it shows, of those that the viewer sees
     * @param  bool  $pinned  Whether the viewer sees it by a pin alone
     * @param  bool  $joined  Whether the viewer has joined it
     * @param  list<string>  $joinerNames  For those who may change the event
     */
    public function __construct(
        public int $id,
        public ?string $occurrence,
        public string $calendar,
        public string $title,
        public bool $busyOnly,
        public bool $allDay,
        public string $start,
        public string $end,
        public ?string $timezone,
        public ?string $endTimezone,
        public ?string $endThere,
        public ?string $startsAt,
        public ?string $endsAt,
        public string $place,
        public string $link,
        public array $links,
        public string $description,
        public Status $status,
        public bool $busy,
        public bool $private,
        public array $categories,
        public array $participants,
        public ?string $answer,
        public array $ownReminders,
        public ?OrganiserData $organiser,
        public ?int $places,
        public int $placesTaken,
        public ?int $waitsAt,
        public ?int $travel,
        public ?string $leave,
        public array $guests,
        public ?AskWhen $askWhen,
        public bool $asks,
        public bool $mayBring,
        public bool $seesAsked,
        public ?bool $remarks,
        public ?RepeatData $repeat,
        public int $priority,
        public ?Colour $colour,
        public array $reminders,
        public array $attachments,
        public array $tasks,
        public bool $joinable,
        public ?OriginalData $copyOf,
        public ?OriginData $origin,
        public array $pins,
        public bool $pinned,
        public bool $joined,
        public int $joiners,
        public array $joinerNames,
        public ?string $addedBy,
        public ?string $addedAt,
        public ?string $changedBy,
        public ?string $changedAt,
        public bool $mayChange,
        public bool $mayDelete,
        public int $version,
    ) {
    }
}
