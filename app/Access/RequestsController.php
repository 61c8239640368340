<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\Person;
use App\Letters\Letter;
use App\Organisation\Organisation;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Asking;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Asking for more of a calendar than one has, and deciding about it. */
#[OA\Schema(schema: 'AccessRequestInput', required: ['level'], properties: [
    new OA\Property(property: 'level', type: 'string', enum: Level::class),
    new OA\Property(property: 'message', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'AccessDecision', required: ['level'], properties: [
    new OA\Property(property: 'level', type: 'string', enum: Level::class),
])]
final class RequestsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Sharing $sharing, private readonly AccessReader $reader, private readonly Organisation $organisation, private readonly Audience $audience)
    {
    }

    #[OA\Post(path: '/calendars/{slug}/requests', operationId: 'askForAccess', summary: 'Asks those who manage a calendar for a level.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AccessRequestInput')),
        responses: [new OA\Response(response: 201, description: 'Asked')])]
    public function store(Request $request, string $slug): Response
    {
        $found = $this->viewer->calendar($slug, Level::BusyTimes);
        $input = $request->validate([
            'level' => ['required', Rule::enum(Level::class)],
            'message' => ['sometimes', 'nullable', 'string', 'max:500'],
        ], ['message.max' => 'A message has at most 500 characters.']);
        $level = Level::from($input['level']);
        $most = $this->organisation->settings()->mayAskFor;
        if (! Asking::may($found->level(), $level, $most)) {
            throw ValidationException::withMessages(['level' => $most === Level::None
                ? 'Your organisation does not let people ask for access. Speak to whoever keeps the calendar.'
                : "You have {$found->level()->label()} here; ask for more than that, up to {$most->label()}."]);
        }
        $person = $this->viewer->person();
        $calendar = $found->calendar;
        DB::transaction(function () use ($calendar, $person, $level, $input): void {
            // One open request of a person: asking again says something else.
            $request = AccessRequest::query()->where('calendar_id', $calendar->id)->where('person_id', $person->id)->whereNull('decided_at')->lockForUpdate()->first() ?? new AccessRequest;
            $isNew = ! $request->exists;
            $request->fill(['calendar_id' => $calendar->id, 'person_id' => $person->id, 'level' => $level, 'message' => (string) ($input['message'] ?? '')])->save();
            $this->tell($calendar, $person->id);
            $managers = $isNew ? Person::query()->whereKey($this->reader->roster()->managers($calendar->keeper(), $this->reader->grants($calendar)))->limit(20)->get() : [];
            foreach ($managers as $manager) {
                Mail::to($manager)->queue(new Letter($manager, "{$person->name} asks for “{$level->label()}” on “{$calendar->name}”", array_values(array_filter([
                    "{$person->name} would like to ".str_replace('your own', 'their own', $level->means()).'.',
                    $request->message === '' ? '' : "“{$request->message}”",
                    'You decide with one click; so can everyone else who manages it.',
                ])), 'Decide', '/waiting'));
            }
        });

        return response()->noContent(201);
    }

    #[OA\Delete(path: '/calendars/{slug}/requests', operationId: 'withdrawRequest', summary: 'Asks no longer.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function destroy(string $slug): Response
    {
        $calendar = $this->viewer->calendar($slug, Level::BusyTimes)->calendar;
        AccessRequest::query()->where('calendar_id', $calendar->id)->where('person_id', $this->viewer->person()->id)->whereNull('decided_at')->delete();
        $this->tell($calendar, $this->viewer->person()->id);

        return response()->noContent();
    }

    #[OA\Put(path: '/requests/{id}', operationId: 'decideRequest', summary: 'Grants a request, at the level asked for or another, or declines it with “none”.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AccessDecision')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function decide(Request $request, int $id): Response
    {
        $level = Level::from($request->validate(['level' => ['required', Rule::enum(Level::class)]])['level']);
        DB::transaction(function () use ($id, $level): void {
            $asked = AccessRequest::query()->with('person')->lockForUpdate()->findOrFail($id);
            $found = $this->viewer->calendars()[$asked->calendar_id] ?? null;
            if ($found === null || $found->level() !== Level::Manage) {
                throw (new ModelNotFoundException)->setModel(AccessRequest::class);
            }
            if ($asked->decided_at !== null) {
                throw new ConflictHttpException('Somebody else has decided this already.');
            }
            $by = $this->viewer->person();
            $asked->update(['decided_by' => $by->id, 'decided_at' => now(), 'given' => $level]);
            if ($level !== Level::None) {
                $this->sharing->give($found->calendar, new Subject(SubjectKind::Person, $asked->person_id), $level, $by, why: 'asked for it');
                // Who asked need not be invited.
                Invitation::query()->where('calendar_id', $asked->calendar_id)->where('person_id', $asked->person_id)->update(['answered_at' => now(), 'accepted' => true]);
            }
            $this->tell($found->calendar, $asked->person_id);
            Mail::to($asked->person)->queue(new Letter($asked->person, $level === Level::None ? "“{$found->calendar->name}” stays as it is for you" : "“{$found->calendar->name}” is open to you",
                [$level === Level::None ? "{$by->name} has declined what you asked for on “{$found->calendar->name}”. Ask them in person if you need it." : "{$by->name} has granted what you asked for. You can {$level->means()}."],
                "Open “{$found->calendar->name}”", "/?calendar={$found->calendar->slug}"));
        });

        return response()->noContent();
    }

    #[OA\Put(path: '/requests/{id}/seen', operationId: 'seeAnswer', summary: 'Says that one has seen the answer to one’s own request.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function seen(int $id): Response
    {
        AccessRequest::query()->where('person_id', $this->viewer->person()->id)->whereNotNull('decided_at')->findOrFail($id)->update(['seen_at' => now()]);

        return response()->noContent();
    }

    /** What is asked for waits for those who decide, and the answer for whoever asked. */
    private function tell(Calendar $calendar, int $asking): void
    {
        Change::ofAccess($this->audience->withManagers($calendar, new Subject(SubjectKind::Person, $asking)));
    }
}
