<?php

namespace App\Publishing;

use App\Changes\Change;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;
use PinnedRota\Core\Publishing\Audience;

/** The page of a publication, for anybody at its address: rendered here, so that it is read without a script, a cookie or an account. */
final class PublishedPageController
{
    /** How long a page that nothing changes is kept. */
    private const KEPT_HOURS = 24;

    public function __construct(private readonly PublishedWindow $windows)
    {
    }

    public function show(Request $request, string $address): Response
    {
        $publication = Publication::at($address);
        if ($publication === null) {
            abort(404);
        }
        if ($publication->isGoneFrom($address)) {
            return $this->instead('published.gone', $publication, 410);
        }
        if ($publication->paused_at !== null) {
            return $this->instead('published.paused', $publication, 503);
        }
        $today = Carbon::now($this->windows->zone($publication)->name);
        $asked = PublishedAsked::of($request->query->all(), $today->toDateString());
        $mark = hash('sha256', serialize([$publication->id, $publication->version, $publication->publisher->status, (int) Change::query()->max('id'), $today->toDateString(), $asked, $address, (string) @filemtime(public_path('build/manifest.json'))]));
        $response = (new Response)->setEtag($mark);
        $this->seeTo($response, $publication);
        if ($response->isNotModified($request)) {
            return $response;
        }
        Publication::query()->whereKey($publication->id)->toBase()->increment('reads', 1, ['last_read_at' => now()]);

        return $response->setContent(Cache::remember("published:{$mark}", now()->addHours(self::KEPT_HOURS), fn (): string => $this->render($publication, $asked, $today, $address)));
    }

    private function render(Publication $publication, PublishedAsked $asked, Carbon $today, string $address): string
    {
        return view('published.page', ['page' => PublishedPage::of($publication, $asked, $today, url("/p/{$address}"), $this->windows)])->render();
    }

    private function instead(string $view, Publication $publication, int $status): Response
    {
        $response = new Response(view($view, ['name' => $publication->name])->render(), $status);
        $this->seeTo($response, $publication);
        $response->headers->set('X-Robots-Tag', 'noindex');

        return $response;
    }

    private function seeTo(Response $response, Publication $publication): void
    {
        $isOpen = $publication->audience === Audience::Everybody;
        $response->headers->add(['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => ($isOpen ? 'public' : 'private').', no-cache']);
        if (! $isOpen) {
            $response->headers->add(['X-Robots-Tag' => 'noindex']);
        }
    }
}
