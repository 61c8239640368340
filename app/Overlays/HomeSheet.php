<?php

namespace App\Overlays;

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Calendars\OwnCalendar;
use App\Changes\Change;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\SubjectKind;

/**
 * The overlay that everybody begins with: what they are in, their own calendar, what was shared with them by name, then the rest of their
 * list. From then on it is theirs to change as any other.
 */
final class HomeSheet
{
    private const NAME = 'Home';

    /** Theirs; made where there is none. */
    public static function of(Person $person): Overlay
    {
        return self::known($person) ?? DB::transaction(static function () use ($person): Overlay {
            Person::query()->lockForUpdate()->findOrFail($person->id);
            $known = self::known($person);
            if ($known !== null) {
                return $known;
            }
            Overlay::withTrashed()->where('home_of', $person->id)->update(['home_of' => null]);
            $overlay = Overlay::query()->create(['slug' => Calendar::newSlug(self::NAME), 'name' => self::NAME, 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $person->id, 'home_of' => $person->id]);
            $overlay->layers()->create(['position' => 0] + LayerRecord::columns([
                'name' => 'What I am in', 'colour' => 'brick', 'mark' => 'star', 'takes' => 'all',
                'conditions' => [['about' => 'people', 'not' => false, 'who' => [['kind' => 'me', 'id' => null]], 'part' => 'taking part']],
            ]));
            self::lay($overlay, OwnCalendar::of($person), 'Mine');
            $named = GrantRecord::query()->where('on_kind', 'calendar')->where('subject_kind', SubjectKind::Person)->where('subject_id', $person->id)->where('level', '!=', 'none')->pluck('on_id');
            foreach (Calendar::query()->whereKey($named)->whereNull('archived_at')->orderBy('name')->get() as $calendar) {
                self::lay($overlay, $calendar, $calendar->name);
            }
            $overlay->layers()->create(['position' => (int) $overlay->layers()->max('position') + 1] + LayerRecord::columns(['name' => 'The rest of my list', 'colour' => 'slate', 'mark' => 'ring', 'takes' => 'rest', 'conditions' => []]));
            Change::ofAccess([$person->id]);

            return $overlay->refresh();
        });
    }

    /** Puts a calendar on it as a layer of its own, where none has it yet. */
    public static function add(Person $person, Calendar $calendar): Overlay
    {
        return DB::transaction(static function () use ($person, $calendar): Overlay {
            $overlay = self::of($person);
            Overlay::query()->lockForUpdate()->findOrFail($overlay->id);
            if ($overlay->layers()->whereHas('calendars', static fn ($of) => $of->whereKey($calendar->id))->doesntExist()) {
                self::lay($overlay, $calendar, $calendar->name);
                $overlay->update(['version' => $overlay->version + 1]);
                Change::ofAccess([$person->id]);
            }

            return $overlay;
        });
    }

    private static function known(Person $person): ?Overlay
    {
        return Overlay::query()->where('home_of', $person->id)->where('keeper_kind', SubjectKind::Person)->where('keeper_id', $person->id)->first();
    }

    /** Before the rest, which takes what no layer has. */
    private static function lay(Overlay $overlay, Calendar $calendar, string $name): void
    {
        $rest = $overlay->layers()->where('takes', 'rest')->min('position');
        $position = (int) ($rest ?? $overlay->layers()->max('position') + 1);
        $overlay->layers()->where('position', '>=', $position)->reorder()->orderByDesc('position')->increment('position');
        $layer = $overlay->layers()->create(['position' => $position] + LayerRecord::columns([
            'name' => $name, 'colour' => $calendar->colour, 'mark' => $calendar->mark, 'conditions' => [],
        ]));
        $layer->calendars()->attach($calendar->id);
    }
}
