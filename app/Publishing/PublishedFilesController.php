<?php

namespace App\Publishing;

use App\Feeds\FeedEnd;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Spreadsheet\CsvText;
use PinnedRota\Core\Spreadsheet\XlsxWriter;

/** A publication as files, for devices and spreadsheets at its address. */
final class PublishedFilesController
{
    public function __construct(private readonly PublishedFiles $files, private readonly PublishedWindow $windows, private readonly PublishedAnswer $answers)
    {
    }

    /** For a device that follows it: what cannot be given is told where its reader looks, as the one event of an empty calendar. */
    public function calendar(Request $request, string $address): Response
    {
        $at = $this->found($address, static fn (Publication $each): bool => $each->followed);
        $publication = $at->publication;
        $end = match (true) {
            $at->isGone() => FeedEnd::Revoked,
            $publication->paused_at !== null => FeedEnd::Paused,
            ! $publication->publisher->isActive() => FeedEnd::PublisherGone,
            default => null,
        };
        if ($end === FeedEnd::Revoked && $at->goneSince()?->addDays(FeedEnd::DAYS)->isPast() !== false) {
            return new Response("This was taken back.\n", 410, ['Content-Type' => 'text/plain; charset=utf-8']);
        }
        $today = $this->today($publication);
        if ($end !== null) {
            return $this->answers->plain($end->document($publication->name, $today), 'text/calendar');
        }

        return $this->answers->kept($request, $at, ['calendar'], $today, 'text/calendar', fn (): string => $this->files->calendar($publication, $today) ?? FeedEnd::PublisherShutOut->document($publication->name, $today));
    }

    public function csv(Request $request, string $address): Response
    {
        return $this->table($request, $address, 'csv', 'text/csv', CsvText::of(...));
    }

    public function xlsx(Request $request, string $address): Response
    {
        return $this->table($request, $address, 'xlsx', XlsxWriter::MEDIA_TYPE, XlsxWriter::text(...));
    }

    /** @param  Closure(list<list<string>>): string  $written */
    private function table(Request $request, string $address, string $form, string $type, Closure $written): Response
    {
        $at = $this->found($address, static fn (Publication $each): bool => $each->as_table);
        $publication = $at->publication;
        abort_if($at->isGone(), 410);
        abort_if($publication->paused_at !== null, 503);
        $today = $this->today($publication);
        $answer = $this->answers->kept($request, $at, [$form], $today, $type, fn (): string => $written($this->files->table($publication, $today) ?? []));
        $answer->headers->set('Content-Disposition', 'attachment; filename="'.($publication->slug ?? 'published').'.'.$form.'"');

        return $answer;
    }

    /** @param  Closure(Publication): bool  $gives */
    private function found(string $address, Closure $gives): PublishedAddress
    {
        $at = PublishedAddress::find($address);
        if ($at === null || ! $at->isForReaders() || ! $gives($at->publication)) {
            abort(404);
        }

        return $at;
    }

    private function today(Publication $publication): Carbon
    {
        return Carbon::now($this->windows->zone($publication)->name);
    }
}
