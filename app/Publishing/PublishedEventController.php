<?php

namespace App\Publishing;

use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;

/** One time of an event on a published page, at an address of its own: to be read, passed on, and taken into a diary. */
final class PublishedEventController
{
    public function __construct(private readonly PublishedDetails $details, private readonly PublishedFiles $files, private readonly PublishedWindow $windows, private readonly PublishedAnswer $answers)
    {
    }

    public function show(Request $request, string $address, string $date, string $name): Response
    {
        return $this->answer($request, $address, $date, $name, 'text/html', fn (Publication $publication, array $found): string => view('published.details', [
            'publication' => $publication, 'event' => $found[1], 'notes' => $found[2], 'page' => url("/p/{$address}"), 'date' => $date, 'zone' => $this->windows->zone($publication)->name,
        ])->render());
    }

    public function file(Request $request, string $address, string $date, string $name): Response
    {
        $answer = $this->answer($request, $address, $date, $name, 'text/calendar', fn (Publication $publication, array $found, Carbon $today): string => $this->files->single($publication, $found[0], $found[2], $today));
        if ($answer->getStatusCode() === 200) {
            $answer->headers->set('Content-Disposition', "attachment; filename=\"event-{$date}.ics\"");
        }

        return $answer;
    }

    /** @param  callable(Publication, array{\App\Overlays\SheetItem, PublishedEvent, string}, Carbon): string  $render */
    private function answer(Request $request, string $address, string $date, string $name, string $type, callable $render): Response
    {
        $at = PublishedAddress::find($address);
        if ($at === null || ! $at->isForReaders() || ! self::isDate($date)) {
            abort(404);
        }
        $publication = $at->publication;
        $refusal = $this->answers->refusal($at);
        if ($refusal !== null) {
            return $refusal;
        }
        $today = Carbon::now($this->windows->zone($publication)->name);
        $found = function () use ($publication, $date, $name, $today, $render): string {
            $details = $this->details->find($publication, $date, $name, $today);

            return $details === null ? '' : $render($publication, $details, $today);
        };
        $answer = $this->answers->kept($request, $at, [$type, $date, $name], $today, $type, $found);

        return $answer->getStatusCode() === 200 && $answer->getContent() === ''
            ? $this->answers->plain(view('published.not-on', ['page' => $at->url()])->render(), 'text/html', 404)
            : $answer;
    }

    private static function isDate(string $date): bool
    {
        try {
            return LocalDateTime::parse($date)->toDate() === $date;
        } catch (InvalidTime) {
            return false;
        }
    }
}
