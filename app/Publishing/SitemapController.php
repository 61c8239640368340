<?php

namespace App\Publishing;

use Illuminate\Http\Response;
use PinnedRota\Core\Publishing\Audience;

/** What may be found by searching, told to those who search (sitemaps.org, 0.9). */
final class SitemapController
{
    /** More than these are in no one map. */
    private const MOST = 50_000;

    public function show(): Response
    {
        $pages = Publication::standing()->where('audience', Audience::Everybody)->whereNull('paused_at')
            ->whereHas('publisher', fn ($query) => $query->where('status', 'active'))
            ->orderBy('id')->limit(self::MOST)->get();
        $urls = $pages->map(static fn (Publication $page): string => '<url><loc>'.e((string) $page->url()).'</loc></url>')->implode('');

        return new Response('<?xml version="1.0" encoding="UTF-8"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">'.$urls.'</urlset>', 200, ['Content-Type' => 'application/xml; charset=utf-8', 'Cache-Control' => 'public, max-age=3600']);
    }
}
