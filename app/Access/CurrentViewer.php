<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\ChangeLog\SignInLog;
use App\Directory\Person;
use App\Frames\CurrentFrame;
use App\Overlays\Overlay;
use App\SecondFactor\SecondFactors;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** The person who is signed in, or for whom a job is done, and what is open to them; everything is read at most once a request. */
final class CurrentViewer
{
    private ?Viewer $viewer = null;

    private ?Perspective $perspective = null;

    /** @var ?Collection<int, AccessibleCalendar> */
    private ?Collection $calendars = null;

    public function __construct(private readonly Factory $auth, private readonly AccessReader $reader, private readonly SecondFactors $factors, private readonly SignInLog $looks, private readonly CurrentFrame $frame)
    {
    }

    public function person(): Person
    {
        $person = $this->auth->guard('web')->user();
        if (! $person instanceof Person) {
            throw new AccessDeniedHttpException('Sign in first.');
        }

        return $person;
    }

    public function viewer(): Viewer
    {
        return $this->viewer ??= $this->reader->viewer($this->person());
    }

    /** @return Collection<int, AccessibleCalendar> by id */
    public function calendars(): Collection
    {
        return $this->calendars ??= $this->reader->calendars($this->viewer())->map(fn (AccessibleCalendar $each): AccessibleCalendar => $each->within($this->frame->onCalendar($each->level())));
    }

    /**
     * What the person sees or, of the calendars they manage, what somebody else sees of them.
     *
     * @throws ModelNotFoundException where there is no such person
     */
    public function perspective(?int $as = null): Perspective
    {
        if ($as === null) {
            return $this->perspective ??= new Perspective($this->viewer(), $this->calendars());
        }
        $person = Person::query()->where('status', 'active')->findOrFail($as);
        $other = $this->reader->viewer($person);
        $managed = $this->calendars()->filter(fn (AccessibleCalendar $each): bool => $each->level() === Level::Manage);

        if ($managed->isNotEmpty()) {
            $this->looks->lookedAs($this->person(), $person);
        }

        return new Perspective($other, $this->reader->calendars($other)->intersectByKeys($managed), true, looker: $this->perspective());
    }

    /**
     * A calendar on which the person has a level.
     *
     * @throws ModelNotFoundException where they see nothing of it, as though it were not there
     * @throws AccessDeniedHttpException where they see it and may do less
     */
    public function calendar(string $slug, Level $needed): AccessibleCalendar
    {
        $found = $this->calendars()->first(fn (AccessibleCalendar $each): bool => $each->calendar->slug === $slug)
            ?? throw (new ModelNotFoundException)->setModel(Calendar::class);
        $this->demand($found->level(), $needed);

        return $found;
    }

    public function overlay(string $slug, Level $needed): Overlay
    {
        $overlay = Overlay::query()->where('slug', $slug)->firstOrFail();
        $level = $this->frame->onOverlay($this->reader->overlay($this->viewer(), $overlay));
        if (! $level->includes(Level::See)) {
            throw (new ModelNotFoundException)->setModel(Overlay::class);
        }
        $this->demand($level, $needed);

        return $overlay;
    }

    /** @return list<int> ids of the calendars that the person manages */
    public function managedCalendars(): array
    {
        return $this->calendars()->filter(fn (AccessibleCalendar $each): bool => $each->level() === Level::Manage)->keys()->all();
    }

    /** @return list<int> ids of the overlays that the person manages */
    public function managedOverlays(): array
    {
        return $this->overlays()->filter(fn (array $each): bool => $each[1] === Level::Manage)->map(fn (array $each): int => $each[0]->id)->values()->all();
    }

    /** @return Collection<int, array{Overlay, Level}> those that the person may look through, with their level */
    public function overlays(): Collection
    {
        return $this->reader->overlays($this->viewer())->filter(fn (array $each): bool => $each[1]->includes(Level::See))->map(fn (array $each): array => [$each[0], $this->frame->onOverlay($each[1])])->values();
    }

    /** @throws AccessDeniedHttpException where the person is no administrator */
    public function demandAdministrator(): void
    {
        if (! $this->person()->isAdministrator()) {
            throw new AccessDeniedHttpException('Administrators of the organisation do this.');
        }
        if ($this->factors->isMissing($this->person())) {
            throw new AccessDeniedHttpException('Your organisation asks its administrators for a second factor. Set it up under your name first.');
        }
    }

    /** @throws AccessDeniedHttpException where groups, rooms and common categories are not the person's to keep */
    public function demandKeepingCommon(): void
    {
        if (! $this->person()->role->keepsCommon()) {
            throw new AccessDeniedHttpException('Administrators and coordinators of the organisation do this.');
        }
        // What somebody is as an administrator they are with a second factor alone, where one is asked for.
        if ($this->person()->isAdministrator()) {
            $this->demandAdministrator();
        }
    }

    public function demand(Level $level, Level $needed): void
    {
        if (! $level->includes($needed)) {
            throw new AccessDeniedHttpException("Your level here is {$level->label()}; this takes {$needed->label()}.");
        }
    }
}
