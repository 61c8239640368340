<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What a column of a table says of an event. */
enum ColumnRole: string
{
    case Title = 'title';

    /** A day, or some in a row; with hours, where it says them. */
    case Date = 'date';

    /** The last day. */
    case EndDate = 'end date';

    /** An hour, or from when to when. */
    case Time = 'time';
    case End = 'end';
    case Length = 'length';

    /** Morning, afternoon or evening. */
    case Part = 'part of the day';
    case Weekday = 'weekday';
    case AllDay = 'all day';
    case Place = 'place';
    case Description = 'description';
    case Category = 'category';
    case Responsible = 'responsible';
    case Participants = 'participants';
    case Calendar = 'calendar';
    case Status = 'status';

    /** An address that says more. */
    case Link = 'link';

    /** An hour of its own: what the column is called is what is then. */
    case Moment = 'moment';

    /** A number that counts, or a price: it says nothing of when. */
    case Nothing = 'nothing';

    private const NAMES = [
        'title' => ['title', 'event', 'what', 'subject', 'name of event', 'activity', 'assessment', 'test', 'exam', 'paper', 'session', 'lecture', 'talk', 'duty', 'race', 'trip', 'placement', 'class', 'course', 'topic', 'summary', 'meeting', 'booking', 'fixture', 'match', 'task', 'lesson', 'destination', 'reason', 'purpose', 'occasion'],
        'date' => ['date', 'when', 'start date', 'dates', 'day', 'first day', 'from date', 'date from', 'start', 'begins', 'from', 'starts', 'departs', 'departure', 'leaves', 'date and time', 'planned'],
        'end date' => ['end date', 'last day', 'to date', 'date to', 'until', 'to', 'ends', 'finish date', 'end', 'finish', 'finished by', 'finished', 'ends on', 'returns', 'back'],
        'time' => ['time', 'hours', 'start time', 'period', 'start', 'from', 'begins', 'starts', 'time from', 'slot', 'times'],
        'end' => ['end', 'end time', 'to', 'finish', 'until', 'time to', 'ends'],
        'length' => ['duration', 'length', 'minutes'],
        'part of the day' => ['session', 'am/pm', 'half day', 'part'],
        'weekday' => ['weekday', 'day', 'day of week'],
        'all day' => ['all day', 'all day event', 'whole day', 'allday'],
        'place' => ['place', 'location', 'venue', 'room', 'where', 'address'],
        'description' => ['description', 'notes', 'note', 'details', 'comment', 'comments', 'remarks', 'about'],
        'category' => ['category', 'type', 'kind', 'tag'],
        'responsible' => ['responsible', 'teacher', 'lead', 'leader', 'supervisor', 'organiser', 'staff', 'covered by', 'invigilator', 'in charge', 'contact'],
        'participants' => ['participants', 'who', 'name', 'invited', 'attendees', 'people', 'pupil', 'pupils', 'student', 'students', 'person', 'member', 'mail', 'email', 'group', 'guests', 'with'],
        'calendar' => ['calendar'],
        'status' => ['status', 'state', 'confirmed'],
        'link' => ['link', 'url', 'web', 'website', 'web page', 'online'],
    ];

    /** Whether a column that is called so may be of this role; what is in it tells the rest. */
    public function isNamed(string $head): bool
    {
        if ($this === self::Nothing) {
            return preg_match('/\b(?:cost|price|fee|amount|number|no|week|stock|size|height|copies)\b|[£$€#]/iu', $head) === 1 && preg_match('/\b(?:beginning|commencing|date)\b/iu', $head) !== 1;
        }

        return in_array(trim(mb_strtolower($head), ' :.*'), self::NAMES[$this->value] ?? [], true);
    }
}
