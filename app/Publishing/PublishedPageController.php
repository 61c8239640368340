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
        $at = PublishedAddress::find($address);
        if ($at === null || ! $at->isForReaders()) {
            abort(404);
        }

        return $this->answers->refusal($at) ?? $this->page($request, $at, null);
    }

    /** The same in a frame, on the sites that its publisher names and on none besides. What is somebody's own link is in none: whoever comes to the site would read it. */
    public function frame(Request $request, string $address): Response
    {
        $at = PublishedAddress::find($address);
        $sites = $at?->link === null ? $at->publication->frame_sites ?? [] : [];
        if ($at === null || $sites === []) {
            abort(404);
        }
        $look = FrameLook::of($request->query->all());
        $answer = $this->answers->refusal($at) ?? $this->page($request, $at, $look);
        // Ours is among them: it is looked at beside the choices.
        $answer->headers->set('Content-Security-Policy', "frame-ancestors 'self' ".implode(' ', $sites));

        return $answer;
    }

    /** What a screen on a wall shows, at the link of its own: today and the week ahead. */
    public function screen(Request $request, string $address): Response
    {
        $at = PublishedAddress::find($address);
        if ($at === null || ! $at->isForScreen()) {
            abort(404);
        }
        $today = Carbon::now($this->windows->zone($at->publication)->name);
        $render = fn (): string => view('published.screen', ['page' => PublishedPage::of($at, PublishedAsked::week($today->toDateString()), $today, $this->windows)])->render();

        return $this->answers->refusal($at) ?? $this->answers->kept($request, $at, ['screen'], $today, 'text/html', $render);
    }

    private function page(Request $request, PublishedAddress $at, ?FrameLook $frame): Response
    {
        $today = Carbon::now($this->windows->zone($at->publication)->name);
        $asked = PublishedAsked::of($request->query->all(), $today->toDateString());
        $render = function () use ($at, $frame, $asked, $today): string {
            $before = Carbon::getLocale();
            Carbon::setLocale($frame->language ?? $before);
            try {
                return view('published.page', ['page' => PublishedPage::of($at, $asked, $today, $this->windows, $frame)])->render();
            } finally {
                Carbon::setLocale($before);
            }
        };

        return $this->answers->kept($request, $at, [$asked, $frame], $today, 'text/html', $render);
    }
}
