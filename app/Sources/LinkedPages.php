<?php

namespace App\Sources;

use GuzzleHttp\Psr7\UriResolver;
use GuzzleHttp\Psr7\Utils;
use InvalidArgumentException;
use PinnedRota\Core\Documents\PageLinks;

/** Fetches the pages that a page leads to, one level deep and no further than its own site. */
final class LinkedPages
{
    private const GONE = [404, 410];

    public function __construct(private readonly Fetcher $fetcher)
    {
    }

    /** @throws FetchFailed where one of them cannot be read now: what is left out would be taken for gone */
    public function of(FetchedDocument $page, ?SignIn $signIn): FetchedDocument
    {
        $pages = [];
        foreach (PageLinks::of($page->contents(), $page->url, self::resolver($page->url)) as $link) {
            try {
                $pages[$link] = $this->fetcher->fetch($link, signIn: $signIn)->contents();
            } catch (FetchFailed $problem) {
                if (! in_array($problem->status, self::GONE, true)) {
                    throw new FetchFailed("A page that it leads to could not be read. {$problem->getMessage()}", $problem->status, $problem);
                }
            }
        }

        return $page->with($pages);
    }

    /** @return callable(string): string */
    private static function resolver(string $base): callable
    {
        return static function (string $link) use ($base): string {
            try {
                return (string) UriResolver::resolve(Utils::uriFor($base), Utils::uriFor($link));
            } catch (InvalidArgumentException) {
                return '';
            }
        };
    }
}
