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
        $publication = $this->found($address, static fn (Publication $each): bool => $each->followed);
        $end = match (true) {
            $publication->isGoneFrom($address) => FeedEnd::Revoked,
            $publication->paused_at !== null => FeedEnd::Paused,
            ! $publication->publisher->isActive() => FeedEnd::PublisherGone,
            default => null,
        };
        if ($end === FeedEnd::Revoked && $publication->goneSince($address)?->addDays(FeedEnd::DAYS)->isPast() !== false) {
            return new Response("This was taken back.\n", 410, ['Content-Type' => 'text/plain; charset=utf-8']);
        }
        $today = $this->today($publication);
        if ($end !== null) {
            return $this->answers->plain($end->document($publication->name, $today), 'text/calendar');
        }

        return $this->answers->kept($request, $publication, ['calendar', $address], $today, 'text/calendar', fn (): string => $this->files->calendar($publication, $today) ?? FeedEnd::PublisherShutOut->document($publication->name, $today));
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
        $publication = $this->found($address, static fn (Publication $each): bool => $each->as_table);
        abort_if($publication->isGoneFrom($address), 410);
        abort_if($publication->paused_at !== null, 503);
        $today = $this->today($publication);
        $answer = $this->answers->kept($request, $publication, [$form, $address], $today, $type, fn (): string => $written($this->files->table($publication, $today) ?? []));
        $answer->headers->set('Content-Disposition', 'attachment; filename="'.($publication->slug ?? 'published').'.'.$form.'"');

        return $answer;
    }

    /** @param  Closure(Publication): bool  $gives */
    private function found(string $address, Closure $gives): Publication
    {
        $publication = Publication::at($address);
        if ($publication === null || ! $gives($publication)) {
            abort(404);
        }

        return $publication;
    }

    private function today(Publication $publication): Carbon
    {
        return Carbon::now($this->windows->zone($publication)->name);
    }
}
