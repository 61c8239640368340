<?php

namespace App;

use App\Access\CurrentViewer;
use App\Bulk\ChangeInBulk;
use App\Changes\AccessMarked;
use App\Changes\EventsMarked;
use App\Changes\ListsMarked;
use App\Changes\OwnMarks;
use App\Changes\SyncLog;
use App\Directory\GroupsChanged;
use App\Directory\OwnThings;
use App\Directory\Person;
use App\Events\Write\EventsChanged;
use App\Feeds\Feed;
use App\Feeds\WriteFile;
use App\Following\NoteSteps;
use App\Frames\CurrentFrame;
use App\Imports\BringIn;
use App\Invitations\InviteAsked;
use App\Invitations\InviteMembers;
use App\Jobs\JobKind;
use App\Jobs\JobRunner;
use App\Live\NginxPublisher;
use App\Live\NoPublisher;
use App\Live\Publisher;
use App\Live\TellLive;
use App\Occurrences\KeepToSchool;
use App\Occurrences\OccurrenceIndex;
use App\Organisation\Organisation;
use App\Organisation\SchoolDays;
use App\Organisation\SchoolYearChanged;
use App\Participants\PeopleAtAddresses;
use App\Participants\TellAsked;
use App\Participants\TellPlaces;
use App\Preparation\TellTasks;
use App\Publishing\Kept\ForgetKept;
use App\Publishing\Kept\KeptAnswers;
use App\Publishing\Publication;
use App\Publishing\PublicationLink;
use App\Sources\LookAtAddress;
use App\Sources\PinSource;
use App\Sources\RefreshNow;
use App\Sources\Subscribe;
use App\Upkeep\Heartbeats;
use App\Upkeep\MemoryLimit;
use App\Upkeep\Part;
use Illuminate\Auth\Events\Login;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Sources\AddressRules;

final class RotaServiceProvider extends ServiceProvider
{
    /** Who does what is done in the background. */
    private const WORKS = [
        JobKind::Import->value => BringIn::class, JobKind::Bulk->value => ChangeInBulk::class, JobKind::Subscribe->value => Subscribe::class,
        JobKind::Refresh->value => RefreshNow::class, JobKind::Look->value => LookAtAddress::class, JobKind::Export->value => WriteFile::class, JobKind::Pin->value => PinSource::class,
    ];

    public function register(): void
    {
        // One for each process: it knows when it beat last.
        $this->app->singleton(Heartbeats::class);
        // One for each request: whoever asks what is open to the person shares what was read.
        $this->app->scoped(CurrentViewer::class);
        $this->app->scoped(CurrentFrame::class);
        $this->app->scoped(Organisation::class);
        $this->app->scoped(SchoolDays::class);
        $this->app->scoped(OwnMarks::class);
        $this->app->scoped(WorkBudget::class, fn (): WorkBudget => new WorkBudget(
            (int) config($this->app->runningInConsole() && ! $this->app->runningUnitTests() ? 'rota.budget.steps_in_background' : 'rota.budget.steps'),
            MemoryLimit::share((float) config('rota.budget.memory')),
        ));
        $this->app->bind(Publisher::class, fn (): Publisher => config('rota.live.publisher') === null ? new NoPublisher : $this->app->make(NginxPublisher::class, ['url' => config('rota.live.publisher')]));
        $this->app->bind(AddressRules::class, fn (): AddressRules => new AddressRules(array_values(config('rota.sources.trusted'))));
        $this->app->when(JobRunner::class)->needs('$works')->give(self::WORKS);
        $this->app->singleton(KeptAnswers::class, static fn (): KeptAnswers => KeptAnswers::of(...(require base_path('bootstrap/home.php'))));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        TrustProxies::at(config('rota.trusted_proxies'));
        // What follows from a change of events, in this order, within its transaction.
        Event::listen(EventsChanged::class, [OccurrenceIndex::class, 'handle']);
        Event::listen(EventsChanged::class, [KeepToSchool::class, 'handle']);
        Event::listen(SchoolYearChanged::class, [KeepToSchool::class, 'lay']);
        Event::listen(EventsChanged::class, [SyncLog::class, 'handle']);
        Event::listen(EventsChanged::class, [TellAsked::class, 'handle']);
        Event::listen(EventsChanged::class, [InviteAsked::class, 'handle']);
        Event::listen(EventsChanged::class, [TellTasks::class, 'handle']);
        Event::listen(EventsChanged::class, [TellPlaces::class, 'handle']);
        Event::listen(EventsChanged::class, [NoteSteps::class, 'handle']);
        Event::listen(GroupsChanged::class, [InviteMembers::class, 'handle']);
        foreach ([EventsMarked::class => 'events', AccessMarked::class => 'access', ListsMarked::class => 'lists'] as $change => $told) {
            Event::listen($change, fn (EventsMarked|AccessMarked|ListsMarked $marked) => $this->app->make(OwnMarks::class)->add($marked->mark));
            Event::listen($change, [TellLive::class, $told]);
            Event::listen($change, [ForgetKept::class, 'handle']);
        }
        Event::listen(Login::class, [OwnThings::class, 'handle']);
        // A worker that looks for work is alive, also where there is none; with the database away it says nothing, and goes on.
        Event::listen(Looping::class, fn (Looping $look) => rescue(fn () => $this->app->make(Heartbeats::class)->look(Part::ofQueues($look->queue)), report: false));
        // What broke over a connection to the mail server is tried again over another.
        Event::listen(JobExceptionOccurred::class, static fn () => Mail::forgetMailers());
        foreach ([Publication::class, PublicationLink::class, Feed::class] as $published) {
            $published::saved(fn (Publication|PublicationLink|Feed $of) => $this->app->make(ForgetKept::class)->saved($of));
        }
        Person::saved(fn (Person $person) => $this->app->make(PeopleAtAddresses::class)->saved($person));
        Vite::createAssetPathsUsing(fn (string $path): string => '/'.$path);
        // Links that leave the house name the address of the site, not whatever Host a request came with.
        URL::useOrigin((string) config('app.url'));

        // A number that is none of ours is a place where there is nothing.
        Route::patterns(array_fill_keys(['id', 'attachment', 'operation', 'task', 'pin', 'link', 'remark', 'refresh'], '[0-9]{1,18}'));

        // By name and address, so that nobody is locked out by what a stranger tries from elsewhere.
        RateLimiter::for('sign-in', fn (Request $request): array => [
            // An address counts as what the database would match: nöor is noor.
            Limit::perMinute(10)->by(self::asMatched($request->input('email')).'|'.$request->ip()),
            Limit::perMinute(100)->by((string) $request->ip()),
        ]);
        RateLimiter::for('feeds', fn (Request $request): Limit => Limit::perMinute(120)->by((string) $request->ip()));
        // A whole school may come from one address at the same minute; who guesses asks for others each time.
        RateLimiter::for('published', fn (Request $request): array => [Limit::perMinute(600)->by("{$request->ip()} {$request->route('address')}"), Limit::perMinute(1200)->by((string) $request->ip())]);
        RateLimiter::for('fetching', fn (Request $request): Limit => Limit::perMinute(30)->by((string) self::personId($request)));
    }

    private static function asMatched(mixed $address): string
    {
        return is_string($address) ? rtrim(mb_strtolower(Str::ascii($address))) : '';
    }

    private static function personId(Request $request): ?int
    {
        $person = $request->user();

        return $person instanceof Person ? $person->id : null;
    }
}
