<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Feeds\Feed;
use App\Overlays\Overlay;
use App\Publishing\Publication;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\Detail;

/** What the demo school gives to whoever has no account: a page that anybody finds, two for those who have their links, and feeds. */
final class DemoPublications
{
    public function lay(Person $by, Calendar $open, Overlay $overlay, Calendar $year): void
    {
        Publication::query()->create(['name' => 'Launches and open days at Skerrin Quay', 'calendar_id' => $open->id, 'detail' => Detail::WithoutPeople, 'audience' => Audience::Everybody, 'slug' => 'open-days', 'period' => 'year', 'frame_sites' => self::site() === '' ? null : [self::site()], 'published_by' => $by->id]);
        foreach ([['The term, for the boat hall', ['overlay_id' => $overlay->id, 'period' => 'year', 'on_screen' => true], Detail::WithoutPeople], ['Keel year, for parents', ['calendar_id' => $year->id, 'period' => 'weeks', 'weeks_back' => 1, 'weeks_on' => 6], Detail::Titles]] as [$name, $of, $detail]) {
            $token = Feed::newToken();
            Publication::query()->create($of + ['name' => $name, 'detail' => $detail, 'audience' => Audience::WithTheLink, 'token' => $token, 'token_hash' => Publication::digest($token), 'published_by' => $by->id]);
        }
        $this->feed($by, ['name' => 'The screen in the staff room', 'overlay_id' => $overlay->id, 'weeks_back' => 1]);
        $this->feed($by, ['name' => 'My devices: my list', 'personal' => true, 'weeks_back' => 4, 'reminder_minutes' => 30]);
    }

    /** @param  array<string, mixed>  $of  its columns */
    private function feed(Person $by, array $of): void
    {
        $token = Feed::newToken();
        Feed::query()->create($of + ['detail' => 'full', 'token' => $token, 'token_hash' => hash('sha256', $token), 'created_by' => $by->id]);
    }

    /** The school's own site, which the stand-ins serve: the page stands in a frame there. */
    private static function site(): string
    {
        return (string) config('rota.standins.url');
    }
}
