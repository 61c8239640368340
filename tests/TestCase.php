<?php

namespace Tests;

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Directory\Group;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\OperationKind;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Assert as PHPUnit;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\Series;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Support\Described;
use Tests\Support\Make;

abstract class TestCase extends BaseTestCase
{
    public const PASSWORD = 'a-long-enough-one';

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutMiddleware(ValidateCsrfToken::class);
        // Nobody listens to what happens in tests, but where they are about that.
        config(['rota.live.publisher' => null]);
        // As a site has it, whatever the instance that they run in has.
        config(['rota.letters.gather_seconds' => 600, 'rota.letters.undo_seconds' => 10]);
    }

    public function person(string $name = 'Ada Quill', array $columns = []): Person
    {
        return Person::query()->create($columns + [
            'name' => $name, 'email' => Str::slug($name, '.').'.'.Str::random(6).'@example.org', 'password' => self::PASSWORD, 'timezone' => 'Europe/London',
            'status' => 'active', 'role' => 'member', 'post' => '',
        ]);
    }

    public function group(string $name, Person ...$people): Group
    {
        $group = Group::query()->create(['name' => $name]);
        $group->people()->attach(array_map(fn (Person $person): int => $person->id, $people));

        return $group;
    }

    /** A group with these groups in it. */
    public function groupOf(Group ...$groups): Group
    {
        $group = Group::query()->create(['name' => uniqid('group of groups ')]);
        $group->groups()->attach(array_map(fn (Group $each): int => $each->id, $groups));

        return $group;
    }

    public function calendar(Person|Group $keeper, string $name = 'Workshops', array $columns = []): Calendar
    {
        return Calendar::query()->create($columns + [
            'slug' => Calendar::newSlug($name), 'name' => $name, 'colour' => 'sea', 'mark' => 'disc', 'timezone' => 'Europe/London',
            'keeper_kind' => $keeper instanceof Person ? SubjectKind::Person : SubjectKind::Group, 'keeper_id' => $keeper->id,
        ])->refresh()->load('source');
    }

    public function give(Calendar $calendar, Person|Group|SubjectKind $to, Level $level): void
    {
        GrantRecord::query()->updateOrCreate([
            'on_kind' => 'calendar', 'on_id' => $calendar->id,
            'subject_kind' => match (true) {
                $to instanceof Person => SubjectKind::Person,
                $to instanceof Group => SubjectKind::Group,
                default => $to,
            },
            'subject_id' => $to instanceof SubjectKind ? 0 : $to->id,
        ], ['level' => $level]);
    }

    /** Puts an event on a calendar without the API. */
    public function add(Calendar $calendar, ?Person $author = null, mixed ...$event): EventRecord
    {
        return $this->addSeries($calendar, new Series(Make::event(...$event)), $author);
    }

    public function addSeries(Calendar $calendar, Series $series, ?Person $author = null): EventRecord
    {
        $done = app(ChangeEvents::class)->carryOut($author === null ? Actor::nobody() : Actor::person($author), Cause::Script, OperationKind::Add, [new AddSeries($calendar->id, $series)]);

        return EventRecord::query()->findOrFail($done->lastId());
    }

    /** Calls the API as a person. */
    public function as(?Person $person, string $method, string $path, array $body = [], ?int $version = null): TestResponse
    {
        // Each call is a request of its own: nothing of the last one's person may be left.
        $this->app->forgetScopedInstances();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();
        $person === null ? $this->app['auth']->forgetGuards() : $this->actingAs($person->fresh());

        $answer = $this->json($method, "/api/v1{$path}", $body, $version === null ? [] : ['If-Match' => "\"{$version}\""]);
        $this->demandDescribed($method, $answer);

        return $answer;
    }

    /** Every answer of the tests is as the description of the API says, those that are refused too. */
    private function demandDescribed(string $method, TestResponse $answer): void
    {
        $route = request()->route();
        if ($answer->baseResponse instanceof StreamedResponse || ! $route instanceof Route || $route->uri() === 'api/v1/health') {
            return;
        }
        $problem = Described::instance()->problem($method, (string) preg_replace('#^api/v1#', '', $route->uri()), $answer->getStatusCode(), (string) $answer->getContent());
        PHPUnit::assertNull($problem, (string) $problem);
    }

    public function sheet(Person $person, string $from, string $to, string $more = '', string $zone = 'Europe/London'): TestResponse
    {
        return $this->as($person, 'GET', "/sheet?from={$from}&to={$to}&tz={$zone}{$more}");
    }

    /** @return array<string, list<array<string, mixed>>> all that the database has of events, to the byte; a version is a new one each time */
    public function everything(): array
    {
        $plain = static fn (string $table, string ...$order): array => array_reduce($order, static fn ($query, string $by) => $query->orderBy($by), DB::table($table))
            ->get()->map(static fn (object $row): array => array_diff_key((array) $row, ['events' => ['version' => true], 'occurrences' => ['id' => true], 'event_participants' => ['id' => true]][$table] ?? []))->all();

        return [
            'events' => $plain('events', 'id'), 'categories' => $plain('event_category', 'event_id', 'category_id'), 'participants' => $plain('event_participants', 'event_id', 'position'),
            'tasks' => $plain('event_tasks', 'id'), 'attachments' => $plain('event_attachments', 'id'), 'pins' => $plain('event_pins', 'event_id', 'calendar_id'),
            'occurrences' => $plain('occurrences', 'series_id', 'starts_at', 'calendar_id'),
        ];
    }
}
