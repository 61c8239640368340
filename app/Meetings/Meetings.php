<?php

namespace App\Meetings;

use App\Organisation\Organisation;
use App\Sources\Fetcher;
use App\Sources\FetchFailed;
use Illuminate\Support\Str;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Organisation\MeetingPattern;

/** Makes links of meetings as the organisation has said: by a pattern, or by asking a service for one. */
final class Meetings
{
    private const CODE_LENGTH = 20;

    private const LONGEST_ANSWER = 10_000;

    public function __construct(private readonly Organisation $organisation, private readonly Fetcher $fetcher)
    {
    }

    /** @throws NoMeeting where none are made, or the service answers with none */
    public function make(): string
    {
        $pattern = $this->organisation->settings()->meetings;

        return match (true) {
            $pattern === '' => throw new NoMeeting('The organisation has not said how links of meetings are made.'),
            // Nobody guesses it who was not told.
            ! MeetingPattern::isService($pattern) => MeetingPattern::filled($pattern, Str::lower(Str::random(self::CODE_LENGTH))),
            default => $this->ask($pattern),
        };
    }

    /** A copy meets elsewhere than what it is copied from. Where no link is to be had it meets nowhere, rather than with the others. */
    public function renewed(Series $series): Series
    {
        $made = [];

        return $series->each(function (Event $event) use (&$made): Event {
            $before = MeetingLink::of($event);
            if ($before === null || ! MeetingLink::isOwn($event)) {
                return $event;
            }
            if (! array_key_exists($before, $made)) {
                try {
                    $made[$before] = $this->make();
                } catch (NoMeeting) {
                    $made[$before] = null;
                }
            }

            return MeetingLink::put($event, $made[$before]);
        });
    }

    private function ask(string $service): string
    {
        try {
            $stream = $this->fetcher->fetch($service)->stream;
        } catch (FetchFailed $problem) {
            throw new NoMeeting("The service that makes links of meetings: {$problem->getMessage()}", previous: $problem);
        }
        $answer = json_decode(is_resource($stream) ? (string) stream_get_contents($stream, self::LONGEST_ANSWER) : '', true);
        $link = is_array($answer) ? $answer['url'] ?? null : null;

        return is_string($link) && preg_match('#^https?://\S{1,1890}$#Di', $link) === 1 ? $link : throw new NoMeeting('The service that makes links of meetings answered with none.');
    }
}
