<?php

namespace App\Invitations;

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Meetings\OngoingMeetings;
use App\Participants\BringGuests;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Invitations\ChangeWords;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/**
 * The page of a letter, on which whoever was sent it sees what they are asked to and answers, without an account. The link in the letter only
 * opens it: mail programs follow links by themselves, and none of them is to answer.
 */
final class AnswerPageController
{
    private const ANSWERS = ['accepted' => ParticipantAnswer::Accepted, 'tentative' => ParticipantAnswer::Tentative, 'declined' => ParticipantAnswer::Declined];

    /** So many of the next times of a series can be answered to one by one. */
    private const MOST_TIMES = 12;

    private const AHEAD_DAYS = 366;

    public function __construct(private readonly InvitedSeries $series, private readonly InvitationAnswers $answers, private readonly TermsOfInvitation $terms, private readonly BringGuests $guests)
    {
    }

    public function show(Request $request, string $code): Response
    {
        $invitation = EventInvitation::ofCode($code);
        if ($invitation === null) {
            return new Response(view('asked.unknown'), 404, ['X-Robots-Tag' => 'noindex']);
        }
        $asked = $request->query('answer');

        return $this->page($this->view($invitation, is_string($asked) && isset(self::ANSWERS[$asked]) ? $asked : null, $request->query('noted') !== null));
    }

    public function store(Request $request, string $code): Response|RedirectResponse
    {
        $invitation = EventInvitation::ofCode($code) ?? abort(404);
        $answer = is_string($request->input('answer')) ? $request->input('answer') : null;
        try {
            $input = validator($request->all(), ['answer' => ['required', Rule::in(array_keys(self::ANSWERS))], 'note' => ['nullable', 'string', 'max:'.InvitationAnswers::LONGEST_NOTE], 'time' => ['nullable', 'string', 'max:20']], [
                'answer.required' => 'Choose an answer.', 'note.max' => 'What you write has at most '.InvitationAnswers::LONGEST_NOTE.' characters.',
            ])->validate();
            $now = $this->series->now($invitation);
            $given = $now !== null && InvitationAnswers::them($now)?->isWanted() === true && $this->answers->give($invitation, $now, self::ANSWERS[$input['answer']], (string) ($input['note'] ?? ''), self::time((string) ($input['time'] ?? '')));
            if (! $given) {
                throw ValidationException::withMessages(['answer' => 'This is not on as it was: look below at how it is now.']);
            }
        } catch (ValidationException $problem) {
            return $this->page($this->view($invitation, $answer, false, $problem->validator->errors()->first(), (string) $request->input('note')), 422);
        }

        return redirect('/asked/'.$invitation->code().'?noted=1', 303);
    }

    /** Asks somebody else to it, where it lets those who are asked. */
    public function bring(Request $request, string $code): Response|RedirectResponse
    {
        $invitation = EventInvitation::ofCode($code) ?? abort(404);
        try {
            $input = validator($request->all(), ['address' => ['required', 'string', 'email', 'max:180'], 'name' => ['nullable', 'string', 'max:120']], [
                'address.required' => 'Give the mail address.', 'address.email' => 'This is no mail address.', 'name.max' => 'A name has at most 120 characters.',
            ])->validate();
            $head = $invitation->event;
            $now = $this->series->now($invitation);
            if ($head === null || ! $this->terms->of($invitation, $now)->mayBring) {
                throw ValidationException::withMessages(['address' => 'Who is asked to this does not ask others.']);
            }
            $actor = $invitation->person === null ? Actor::nobody() : Actor::person($invitation->person);
            $this->guests->ask($head, $this->terms->time($invitation, $now), [['kind' => 'address', 'address' => $input['address'], 'name' => $input['name'] ?? '']], $actor, Cause::Letter);
        } catch (ValidationException $problem) {
            return $this->page($this->view($invitation, null, false, $problem->validator->errors()->first()), 422);
        }

        return redirect('/asked/'.$invitation->code().'?brought=1', 303);
    }

    private function view(EventInvitation $invitation, ?string $chosen, bool $isNoted, string $problem = '', ?string $note = null): View
    {
        $now = $this->series->now($invitation);
        $zone = $invitation->person === null ? null : Zone::of($invitation->person->timezone);
        $them = InvitationAnswers::them($now);
        $event = ($now ?? $invitation->toldSeries())?->events()[0];
        $stands = array_search($them?->answer, self::ANSWERS, true);

        return view('asked.page', [
            'code' => $invitation->code(), 'isOn' => $now !== null, 'title' => $event->contents->title ?? '', 'when' => $event === null ? '' : ChangeWords::when($event, $zone),
            'zone' => $zone === null ? $event?->timing->start->zone?->name : null, 'place' => $event->contents->place ?? '', 'link' => $event->contents->link ?? '', 'meeting' => $event === null ? '' : (string) MeetingLink::of($event), 'joins' => $now !== null && self::isOn($now), 'description' => $event->contents->description ?? '',
            'organiser' => $now === null || $invitation->event === null ? '' : $this->series->organiser($invitation->event), 'isWanted' => $them?->isWanted() === true,
            'chosen' => $chosen ?? ($stands === false ? null : $stands), 'stands' => $stands === false ? null : $stands, 'note' => $note ?? $them->note ?? '', 'isNoted' => $isNoted, 'problem' => $problem,
            'times' => $now === null ? [] : $this->times($now, $zone), 'terms' => $this->terms->of($invitation, $now),
        ]);
    }

    /** Whether it is on, or begins within the minutes before which one can join. */
    private static function isOn(Series $series): bool
    {
        $now = now()->getTimestamp();

        return $series->occurrences($now, $now + OngoingMeetings::BEFORE) !== [];
    }

    private function page(View $view, int $status = 200): Response
    {
        // Whoever has the address is whom it was sent to: nothing keeps it, and no search engine has it.
        return new Response($view, $status, ['X-Robots-Tag' => 'noindex', 'Cache-Control' => 'private, no-store']);
    }

    /** @return array<string, array{string, ?string}> the next times of a series, each with what was answered to it, by name */
    private function times(Series $now, ?Zone $zone): array
    {
        $from = now()->getTimestamp();
        $next = array_filter($now->occurrences($from, $from + self::AHEAD_DAYS * 86_400), static fn (Occurrence $each): bool => $each->recurrenceId !== null);
        $times = [];
        foreach (array_slice($next, 0, self::MOST_TIMES) as $each) {
            $end = $each->start->at($each->localEnd());
            $times[$each->recurrenceId === null ? '' : RecurrenceId::text($each->recurrenceId)] = [
                WhenWords::between($each->start, $end, $zone), (string) array_search($each->event->participants[0]->answer ?? null, self::ANSWERS, true),
            ];
        }

        return $times;
    }

    /** @throws ValidationException */
    private static function time(string $name): ?EventTime
    {
        try {
            return $name === '' ? null : RecurrenceId::parse($name);
        } catch (InvalidTime) {
            throw ValidationException::withMessages(['time' => 'Choose one of the times below.']);
        }
    }
}
