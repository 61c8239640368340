<?php

namespace App\Publishing;

use App\Changes\Change;
use App\Publishing\Kept\Keeping;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;
use PinnedRota\Core\Publishing\Audience;

/** What a publication answers with: kept until something changes, and not sent to whoever has it (RFC 9110, 13). */
final class PublishedAnswer
{
    private const KEPT_HOURS = 24;

    /**
     * @param  list<mixed>  $of  what besides the address, the publication and all that could change it tells one answer from another
     * @param  Carbon  $today  in the zone of the publication: with the day its answers end
     * @param  Closure(): string  $render
     */
    public function kept(Request $request, PublishedAddress $at, array $of, Carbon $today, string $type, Closure $render): Response
    {
        $publication = $at->publication;
        $mark = hash('sha256', serialize([$at->text, $publication->id, $publication->version, $publication->publisher->status, (int) Change::query()->max('id'), (string) @filemtime(public_path('build/manifest.json')), $today->toDateString(), $of]));
        $response = $this->seenTo(new Response, $publication, $type)->setEtag($mark);
        if ($response->isNotModified($request)) {
            return $response;
        }
        // What is kept is kept as text.
        $content = self::isText($type) ? Cache::remember("published:{$mark}", now()->addHours(self::KEPT_HOURS), $render) : $render();
        if ($request->isMethod('GET') && $content !== '') {
            Publication::query()->whereKey($publication->id)->toBase()->increment('reads', 1, ['last_read_at' => now()]);
            if ($at->isForScreen()) {
                PublicationLink::query()->whereKey($at->link?->id)->toBase()->update(['last_read_at' => now()]);
            }
        }

        $former = $publication->former_until?->isFuture() === true ? $publication->former_until->getTimestamp() : PHP_INT_MAX;
        if ($content !== '') {
            (new Keeping(min($former, $today->copy()->addDay()->startOfDay()->getTimestamp()), "publication {$publication->id}".($at->isForScreen() ? " screen {$at->link?->id}" : '')))->for($request);
        }

        return $response->setContent($content);
    }

    /** What a page answers with where it is paused or was taken back; null where it is given out. */
    public function refusal(PublishedAddress $at): ?Response
    {
        return match (true) {
            $at->isGone() => $this->plain(view('published.gone')->render(), 'text/html', 410),
            $at->publication->paused_at !== null => $this->plain(view('published.paused', ['name' => $at->publication->name])->render(), 'text/html', 503),
            default => null,
        };
    }

    /** What is told in place of it, which is not kept. */
    public function plain(string $content, string $type, int $status = 200): Response
    {
        return new Response($content, $status, ['Content-Type' => "{$type}; charset=utf-8", 'Cache-Control' => 'private, no-cache', 'X-Robots-Tag' => 'noindex']);
    }

    private static function isText(string $type): bool
    {
        return str_starts_with($type, 'text/');
    }

    private function seenTo(Response $response, Publication $publication, string $type): Response
    {
        $isOpen = $publication->audience === Audience::Everybody;
        $response->headers->add(['Content-Type' => self::isText($type) ? "{$type}; charset=utf-8" : $type, 'Cache-Control' => ($isOpen ? 'public' : 'private').', no-cache'] + ($isOpen ? [] : ['X-Robots-Tag' => 'noindex']));

        return $response;
    }
}
