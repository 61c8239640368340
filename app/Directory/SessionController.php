<?php

namespace App\Directory;

use App\Api\Answers;
use App\ChangeLog\SignInLog;
use App\Changes\Change;
use App\Frames\CurrentFrame;
use App\Frames\SessionFrameData;
use App\Letters\PasswordLetter;
use App\Organisation\Organisation;
use App\Organisation\OrganisationNameData;
use App\SecondFactor\SecondFactors;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\Rules\Password;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'PasswordLinkInput', required: ['email'], properties: [
    new OA\Property(property: 'email', type: 'string'),
])]
#[OA\Schema(schema: 'PasswordInput', required: ['email', 'token', 'password'], properties: [
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'token', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
    new OA\Property(property: 'code', type: 'string', nullable: true, description: 'What the second factor shows, or a recovery code; of those who have one'),
])]
final class SessionController
{
    /** In seconds. */
    private const BETWEEN_LETTERS = 300;

    /** So many wrong codes of a second factor in the same time. */
    private const CODES = 5;

    public function __construct(private readonly Devices $devices, private readonly PersonChanges $changes, private readonly SecondFactors $factors, private readonly SignInLog $log, private readonly Organisation $organisation, private readonly CurrentFrame $frame)
    {
    }

    #[OA\Get(path: '/session', operationId: 'getSession', summary: 'Who is signed in; in a demo, also who may be entered as.', tags: ['session'],
        responses: [new Answers(SessionData::class, 'The session')])]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->session($request));
    }

    #[OA\Post(path: '/session', operationId: 'signIn', summary: 'Signs in.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'password'], properties: [
            new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'password', type: 'string'),
            new OA\Property(property: 'code', type: 'string', nullable: true, description: 'What the second factor shows, or a recovery code; of those who have one'),
            new OA\Property(property: 'stay', type: 'boolean', description: 'Whether this browser stays signed in after it was closed'),
        ])),
        responses: [new Answers(SessionData::class, 'The session')])]
    public function store(Request $request): JsonResponse
    {
        $credentials = $request->validate(['email' => ['required', 'string', 'max:190'], 'password' => ['required', 'string', 'max:200'], 'stay' => ['sometimes', 'boolean'], 'code' => ['sometimes', 'nullable', 'string', 'max:40']]);
        $person = Person::query()->where('email', $credentials['email'])->where('status', 'active')->first();
        // Somebody whom nobody here knows is told no sooner than somebody whose password is another.
        $known = $person?->password === null ? Hash::make($credentials['password']) : $person->password;
        if (! Hash::check($credentials['password'], $known) || $person?->password === null) {
            if ($person !== null) {
                $this->log->failed($person, $request);
            }
            throw ValidationException::withMessages(['password' => 'This address and password do not belong together.']);
        }
        $this->demandSecondFactor($person, $credentials['code'] ?? null, $request);
        Auth::guard('web')->login($person, (bool) ($credentials['stay'] ?? false));
        $request->session()->regenerate();
        $this->log->came($person, $request);

        return new JsonResponse($this->session($request));
    }

    #[OA\Delete(path: '/session', operationId: 'signOut', summary: 'Signs out.', tags: ['session'],
        responses: [new OA\Response(response: 204, description: 'Signed out')])]
    public function destroy(Request $request): Response
    {
        $person = $request->user();
        Auth::guard('web')->logout();
        if ($person instanceof Person) {
            Change::ofAccess([$person->id]);
        }
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->noContent();
    }

    #[OA\Put(path: '/session/password', operationId: 'changePassword', summary: 'Changes one’s own password.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['current', 'password'], properties: [
            new OA\Property(property: 'current', type: 'string'), new OA\Property(property: 'password', type: 'string'),
        ])),
        responses: [new OA\Response(response: 204, description: 'Changed; every other session of the person has ended')])]
    public function changePassword(Request $request): Response
    {
        $input = $request->validate([
            'current' => ['bail', 'required', 'string', 'max:200', 'current_password:web'],
            'password' => ['required', 'string', 'max:200', Password::min(10), 'different:current'],
        ], [
            'current.current_password' => 'This is not your present password.',
            'password.min' => 'A password has at least 10 characters.',
            'password.different' => 'The new password is the same as the present one.',
        ]);
        /** @var Person $person */
        $person = $request->user();
        $person->forceFill(['password' => $input['password']])->save();
        WelcomeLink::end($person);
        $request->session()->regenerate();
        $this->devices->end($person, but: $request->session()->getId());

        return response()->noContent();
    }

    #[OA\Patch(path: '/session/person', operationId: 'updateSelf', summary: 'Changes one’s own name, time zone and working hours.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SelfInput')),
        responses: [new Answers(SessionData::class, 'The session')])]
    public function update(PersonInput $input): JsonResponse
    {
        /** @var Person $person */
        $person = $input->user();
        $this->changes->put($person, $input->columns(['name', 'timezone', 'workingHours']), $person);
        if ($input->has('invitationsByMail')) {
            // Nobody else’s business, and so in no log.
            $person->update(['invitations_by_mail' => $input->boolean('invitationsByMail')]);
        }
        if ($input->has('quietHours')) {
            $person->update(['quiet_hours' => trim((string) $input->validated('quietHours'))]);
        }

        return new JsonResponse($this->session($input));
    }

    #[OA\Post(path: '/session/password-link', operationId: 'sendPasswordLink', summary: 'Sends a link to set a new password by, where somebody here has the address; the answer is the same where nobody has.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PasswordLinkInput')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function sendPasswordLink(Request $request): Response
    {
        $email = $request->validate(['email' => ['required', 'string', 'max:190']])['email'];
        $person = Person::query()->where('email', $email)->where('status', 'active')->first();
        if ($person !== null) {
            // One letter in so many minutes, however often and by whomever it is asked for.
            RateLimiter::attempt("password-letter:{$person->id}", 1, fn () => Mail::to($person)->queue(new PasswordLetter($person)), self::BETWEEN_LETTERS);
        }

        return response()->noContent();
    }

    #[OA\Post(path: '/session/password-link/check', operationId: 'checkPasswordLink', summary: 'Whether a link from a letter still holds: asked before anybody thinks of a password.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['email', 'token'], properties: [
            new OA\Property(property: 'email', type: 'string'), new OA\Property(property: 'token', type: 'string'),
        ])),
        responses: [new Answers(PasswordLinkData::class, 'Whether it holds')])]
    public function checkPasswordLink(Request $request): JsonResponse
    {
        $input = $request->validate(['email' => ['required', 'string', 'max:190'], 'token' => ['required', 'string', 'max:200']]);

        return new JsonResponse(new PasswordLinkData($this->invited($input['email'], $input['token']) !== null));
    }

    #[OA\Put(path: '/session/password-link', operationId: 'setPassword', summary: 'Sets a password by a link from a letter, and signs in.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PasswordInput')),
        responses: [new Answers(SessionData::class, 'The session')])]
    public function setPassword(Request $request): JsonResponse
    {
        $input = $request->validate([
            'email' => ['required', 'string', 'max:190'],
            'token' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200', Password::min(10)],
            'code' => ['sometimes', 'nullable', 'string', 'max:40'],
        ], ['password.required' => 'Choose a password.', 'password.min' => 'A password has at least 10 characters.']);
        $person = $this->invited($input['email'], $input['token']);
        if ($person === null) {
            throw ValidationException::withMessages(['token' => 'This link does not hold any more. Ask for a new one below.']);
        }
        // A letter is one factor, and the password that is set by it no other.
        $this->demandSecondFactor($person, $input['code'] ?? null, $request);
        DB::transaction(function () use ($person, $input): void {
            WelcomeLink::end($person);
            $person->forceFill(['password' => $input['password']])->save();
            $this->devices->end($person);
        });
        Auth::guard('web')->login($person);
        $request->session()->regenerate();
        $this->log->came($person, $request);

        return new JsonResponse($this->session($request));
    }

    /**
     * The password is right, and is known to be: what is missing is told.
     *
     * @throws ValidationException where somebody who has a second factor does not show it
     */
    private function demandSecondFactor(Person $person, ?string $code, Request $request): void
    {
        if (! $this->factors->has($person)) {
            return;
        }
        if ($code === null || trim($code) === '') {
            throw ValidationException::withMessages(['code' => 'Enter what your authenticator shows, or a recovery code.']);
        }
        $key = "second-factor:{$person->id}";
        if (RateLimiter::tooManyAttempts($key, self::CODES)) {
            throw ValidationException::withMessages(['code' => 'Too many tries. Wait a few minutes.']);
        }
        if (! $this->factors->takes($person, $code)) {
            RateLimiter::hit($key, self::BETWEEN_LETTERS);
            $this->log->failed($person, $request);
            throw ValidationException::withMessages(['code' => 'This is not what it shows now, or it was used already.']);
        }
        RateLimiter::clear($key);
    }

    private function session(Request $request): SessionData
    {
        $person = Auth::guard('web')->user();

        return new SessionData($person instanceof Person ? PersonData::of($person, $this->factors->isMissing($person)) : null, $person === null && config('rota.demo.enabled') ? DemoData::fromSettings() : null, OrganisationNameData::of($this->organisation), $person instanceof Person && $this->frame->frame !== null ? SessionFrameData::of($this->frame->frame) : null);
    }

    /** Whom a link from a letter lets set a password; null where it does not hold. */
    private function invited(string $email, string $token): ?Person
    {
        $person = Person::query()->where('email', $email)->where('status', 'active')->first();

        return $person !== null && WelcomeLink::holds($person, $token) ? $person : null;
    }
}
