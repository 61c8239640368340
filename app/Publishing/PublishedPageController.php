<?php

namespace App\Publishing;

use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The page of a publication, for anybody at its address: rendered here, so that it is read without a script, a cookie or an account. */
final class PublishedPageController
{
    public function __construct(private readonly PublishedWindow $windows, private readonly PublishedAnswer $answers)
    {
    }

    public function show(Request $request, string $address): Response
    {
        $publication = Publication::at($address) ?? abort(404);

        return $this->answers->refusal($publication, $address) ?? $this->page($request, $publication, $address, null);
    }

    /** The same in a frame, on the sites that its publisher names and on none besides. */
    public function frame(Request $request, string $address): Response
    {
        $publication = Publication::at($address);
        if ($publication === null || ($publication->frame_sites ?? []) === []) {
            abort(404);
        }
        $look = FrameLook::of($request->query->all());
        $answer = $this->answers->refusal($publication, $address) ?? $this->page($request, $publication, $address, $look);
        // Ours is among them: it is looked at beside the choices.
        $answer->headers->set('Content-Security-Policy', "frame-ancestors 'self' ".implode(' ', $publication->frame_sites));

        return $answer;
    }

    /** What a screen on a wall shows: today and the week ahead. */
    public function screen(Request $request, string $address): Response
    {
        $publication = Publication::at($address);
        if ($publication === null || ! $publication->on_screen) {
            abort(404);
        }
        $today = Carbon::now($this->windows->zone($publication)->name);
        $render = fn (): string => view('published.screen', ['page' => PublishedPage::of($publication, PublishedAsked::week($today->toDateString()), $today, url("/p/{$address}"), $this->windows)])->render();

        return $this->answers->refusal($publication, $address) ?? $this->answers->kept($request, $publication, ['screen', $address], $today, 'text/html', $render);
    }

    private function page(Request $request, Publication $publication, string $address, ?FrameLook $frame): Response
    {
        $today = Carbon::now($this->windows->zone($publication)->name);
        $asked = PublishedAsked::of($request->query->all(), $today->toDateString());
        $render = function () use ($publication, $address, $frame, $asked, $today): string {
            $before = Carbon::getLocale();
            Carbon::setLocale($frame->language ?? $before);
            try {
                return view('published.page', ['page' => PublishedPage::of($publication, $asked, $today, url("/p/{$address}"), $this->windows, $frame)])->render();
            } finally {
                Carbon::setLocale($before);
            }
        };

        return $this->answers->kept($request, $publication, [$asked, $frame, $address], $today, 'text/html', $render);
    }
}
