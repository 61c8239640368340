<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Feeds\Feed;
use App\Frames\MemberFrame;
use App\Overlays\Overlay;
use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Publishing\LinkPurpose;
use PinnedRota\Core\Publishing\SecretToken;

/** What the demo school gives to whoever has no account: a page that anybody finds, others by links, one of them on a screen, and feeds. */
final class DemoPublications
{
    public function lay(Person $by, Calendar $open, Overlay $overlay, Calendar $year): void
    {
        Publication::query()->create(['name' => 'Launches and open days at Skerrin Quay', 'calendar_id' => $open->id, 'detail' => Detail::WithoutPeople, 'audience' => Audience::Everybody, 'slug' => 'open-days', 'period' => 'year', 'frame_sites' => self::sites() ?: null, 'published_by' => $by->id]);
        $term = $this->secret($by, ['name' => 'The term, for the boat hall', 'overlay_id' => $overlay->id, 'period' => 'year', 'detail' => Detail::WithoutPeople]);
        $this->link($term, LinkPurpose::Screen, 'The screen by the slipway');
        $this->secret($by, ['name' => 'Keel year, for parents', 'calendar_id' => $year->id, 'period' => 'weeks', 'weeks_back' => 1, 'weeks_on' => 6, 'detail' => Detail::Titles]);
        $partners = Publication::query()->create(['name' => 'Keel year, for the yards that take our pupils', 'calendar_id' => $year->id, 'detail' => Detail::WithoutPeople, 'audience' => Audience::NamedPeople, 'published_by' => $by->id]);
        foreach (['Tove Arkell, Brackwater Yard', 'Emeka Sund, Pell Point Sails'] as $name) {
            $this->link($partners, LinkPurpose::Person, $name);
        }
        if (self::sites() !== []) {
            MemberFrame::query()->create(['key' => MemberFrame::newKey(), 'overlay_id' => $overlay->id, 'view' => 'lanes', 'may_change' => true, 'made_by' => $by->id]);
        }
        $this->feed($by, ['name' => 'The screen in the staff room', 'overlay_id' => $overlay->id, 'weeks_back' => 1]);
        $this->feed($by, ['name' => 'My devices: my list', 'personal' => true, 'weeks_back' => 4, 'reminder_minutes' => 30]);
    }

    /** @param  array<string, mixed>  $of  its columns */
    private function secret(Person $by, array $of): Publication
    {
        return Publication::query()->create($of + ['audience' => Audience::WithTheLink, 'published_by' => $by->id] + SecretToken::columns());
    }

    private function link(Publication $to, LinkPurpose $purpose, string $name): void
    {
        PublicationLink::query()->create(['publication_id' => $to->id, 'purpose' => $purpose, 'name' => $name] + SecretToken::columns());
    }

    /** @param  array<string, mixed>  $of  its columns */
    private function feed(Person $by, array $of): void
    {
        Feed::query()->create($of + ['detail' => 'full', 'created_by' => $by->id] + SecretToken::columns());
    }

    /** @return list<string> origins of the school's own site, which the stand-ins serve, by each of its names: frames stand there */
    public static function sites(): array
    {
        $site = (string) config('rota.standins.url');

        return $site === '' ? [] : [$site, str_replace('127.0.0.1', 'localhost', $site)];
    }
}
