<?php

namespace App\Calendars;

use App\Access\AccessibleCalendar;
use App\Directory\SubjectData;
use App\Directory\SubjectNames;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Reason;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** A calendar as one viewer has it. */
final readonly class CalendarData
{
    /**
     * @param  Colour  $colour  In which the viewer sees it
     * @param  Colour  $givenColour  In which everybody sees it who has chosen no other
     * @param  bool  $own  Whether it is the viewer’s own, from the first day on
     * @param  list<string>  $reasons
     * @param  bool  $asksProvisional  Whether its provisional events ask those who are to take part, unless they say otherwise
     * @param  bool  $remarks  Whether those who see its events may remark on them
     * @param  ?Pace  $suggestedPace  When others are told of changes who follow it, as those who manage it would have it
     * @param  'MO'|'TU'|'WE'|'TH'|'FR'|'SA'|'SU'|null  $firstDay
     * @param  'lanes'|'day'|'week'|'month'|'year'|'list'|null  $openingView
     */
    public function __construct(
        public string $slug,
        public string $name,
        public string $description,
        public Colour $colour,
        public Mark $mark,
        public Colour $givenColour,
        public Mark $givenMark,
        public string $timezone,
        public SubjectData $keeper,
        public Level $level,
        public array $reasons,
        public bool $own,
        public bool $mayAdd,
        public bool $subscribed,
        public bool $onList,
        public bool $archived,
        public ?string $firstDay,
        public ?string $openingView,
        public bool $freeCategories,
        public bool $offered,
        public bool $asksProvisional,
        public bool $remarks,
        public ?Pace $suggestedPace,
        public int $version,
    ) {
    }

    /**
     * @param  iterable<AccessibleCalendar>  $calendars
     * @return list<self>
     */
    public static function many(iterable $calendars): array
    {
        $subjects = [];
        foreach ($calendars as $each) {
            array_push($subjects, $each->calendar->keeper(), ...array_map(static fn (Reason $reason): Subject => $reason->subject, $each->decision->reasons));
        }
        $names = new SubjectNames($subjects);
        $list = [];
        foreach ($calendars as $each) {
            $list[] = self::named($each, $names);
        }

        return $list;
    }

    public static function of(AccessibleCalendar $calendar): self
    {
        return self::many([$calendar])[0];
    }

    private static function named(AccessibleCalendar $each, SubjectNames $names): self
    {
        $calendar = $each->calendar;

        return new self(
            slug: $calendar->slug,
            name: $calendar->name,
            description: $each->level()->includes(Level::See) ? $calendar->description : '',
            colour: $each->colour(),
            mark: $each->mark(),
            givenColour: $calendar->colour,
            givenMark: $calendar->mark,
            timezone: $calendar->timezone,
            keeper: SubjectData::of($calendar->keeper(), $names),
            level: $each->level(),
            reasons: array_map(static fn (Reason $reason): string => self::words($reason, $names), $each->decision->reasons),
            own: self::isOwn($each),
            mayAdd: $each->mayAdd(),
            subscribed: $calendar->isSubscribed(),
            onList: $each->isOnList(),
            archived: $calendar->isArchived(),
            firstDay: $calendar->first_day,
            openingView: $calendar->opening_view,
            freeCategories: $calendar->free_categories,
            offered: $calendar->offered,
            asksProvisional: $calendar->asks_provisional,
            remarks: $calendar->remarks,
            suggestedPace: $calendar->suggested_pace === null ? null : Pace::tryFrom($calendar->suggested_pace),
            version: $calendar->version,
        );
    }

    private static function isOwn(AccessibleCalendar $each): bool
    {
        foreach ($each->decision->reasons as $reason) {
            if ($reason->asKeeper && $reason->subject->kind === SubjectKind::Person && $reason->subject->id === $each->calendar->own_of) {
                return true;
            }
        }

        return false;
    }

    private static function words(Reason $reason, SubjectNames $names): string
    {
        return match (true) {
            $reason->asKeeper => 'kept by '.$names->of($reason->subject),
            $reason->subject->kind === SubjectKind::Everyone => 'open to everyone here',
            $reason->subject->kind === SubjectKind::Public => 'open to the public',
            default => 'given to '.$names->of($reason->subject),
        };
    }
}
