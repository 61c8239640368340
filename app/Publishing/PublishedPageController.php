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
        $publication = Publication::at($address);
        if ($publication === null) {
            abort(404);
        }
        if ($publication->isGoneFrom($address)) {
            return $this->answers->plain(view('published.gone')->render(), 'text/html', 410);
        }
        if ($publication->paused_at !== null) {
            return $this->answers->plain(view('published.paused', ['name' => $publication->name])->render(), 'text/html', 503);
        }
        $today = Carbon::now($this->windows->zone($publication)->name);
        $asked = PublishedAsked::of($request->query->all(), $today->toDateString());
        $render = fn (): string => view('published.page', ['page' => PublishedPage::of($publication, $asked, $today, url("/p/{$address}"), $this->windows)])->render();

        return $this->answers->kept($request, $publication, [$asked, $address, $today->toDateString()], 'text/html', $render);
    }
}
