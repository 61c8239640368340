<?php

namespace App\OneLine;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\Category;
use App\Directory\Group;
use App\Directory\Person;
use App\Organisation\Organisation;
use App\Rooms\Room;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\OneLine\Vocabulary;

/** The names that somebody may mention in one line: what they could read anyway. */
final class LineVocabulary
{
    /** So many of the newest events tell which places are in use. */
    private const SAMPLED = 5_000;

    private const PLACES = 200;

    /** While one types, it is the same; what changes makes another at once. */
    private const KEPT_SECONDS = 600;

    /** Another one where what is kept has another form. */
    private const FORM = 2;

    public function __construct(private readonly Repository $cache, private readonly NamedDays $days, private readonly Organisation $organisation)
    {
    }

    public function of(CurrentViewer $viewer): Vocabulary
    {
        $calendars = $viewer->calendars();
        $readable = $calendars->filter(fn (AccessibleCalendar $each): bool => $each->eventLevel()->includes(Level::See))->keys()->all();
        $targets = $calendars->filter(fn (AccessibleCalendar $each): bool => $each->mayAdd())->mapWithKeys(fn (AccessibleCalendar $each): array => [$each->calendar->slug => $each->calendar->name])->all();
        $mark = hash('xxh128', json_encode([self::FORM, $readable, $targets, now()->toDateString(), $this->organisation->version(), $this->mark()], JSON_THROW_ON_ERROR));
        // One for each person, so that there are never more than people.
        $key = "line.{$viewer->person()->id}";
        [$known, $words] = $this->cache->get($key) ?? ['', null];
        if ($known !== $mark || ! $words instanceof Vocabulary) {
            $words = $this->read($readable, $targets);
            $this->cache->put($key, [$mark, $words], self::KEPT_SECONDS);
        }

        return $words;
    }

    /**
     * @param  list<int>  $readable
     * @param  array<string, string>  $targets
     */
    private function read(array $readable, array $targets): Vocabulary
    {
        $places = DB::table('events')->where('id', '>', (int) DB::table('events')->max('id') - self::SAMPLED)->whereIntegerInRaw('calendar_id', $readable)
            ->where('place', '!=', '')->where('private', false)->whereNull('deleted_at')->groupBy('place')->orderByRaw('COUNT(*) DESC')->limit(self::PLACES)->pluck('place');
        $categories = Category::query()->where(fn ($query) => $query->whereNull('calendar_id')->orWhereIn('calendar_id', $readable))->distinct()->pluck('name');
        $rooms = Room::query()->orderBy('name')->pluck('name', 'id')->all();

        return new Vocabulary(
            array_values(array_unique([...array_values($rooms), ...$places])), $categories->all(),
            Person::query()->where('status', 'active')->pluck('name', 'id')->all(),
            Group::query()->pluck('name', 'id')->all(),
            $targets, $rooms, $this->days->of($readable), $this->organisation->settings()->schoolYear,
        );
    }

    /** Another one after each change of an event or a name. */
    private function mark(): string
    {
        $names = fn (string $table): string => "(SELECT CONCAT(COUNT(*), ' ', COALESCE(MAX(updated_at), '')) FROM {$table})";

        return (string) DB::selectOne('SELECT CONCAT_WS(\'|\', (SELECT COALESCE(MAX(id), 0) FROM changes), '.implode(', ', array_map($names, ['people', '`groups`', 'rooms', 'categories'])).') AS mark')->mark;
    }
}
