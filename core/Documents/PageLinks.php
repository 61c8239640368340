<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use DOMElement;

/** Where a page leads: other pages of the same site, one level deep. */
final class PageLinks
{
    public const MOST = 20;

    /** What is no page by its name. */
    private const FILES = '/\.(?:jpe?g|png|gif|svg|webp|pdf|docx?|xlsx?|pptx?|zip|mp[34]|ics|css|js|xml|csv)$/i';

    /**
     * @param  callable(string): string  $resolve  makes a full address of one as it stands in the page
     * @return list<string> full addresses without fragments, each once, in the order of the page; the page itself is none of them
     */
    public static function of(string $html, string $url, callable $resolve): array
    {
        $own = self::plain($url);
        $found = [];
        foreach (PageDocument::of($html)->getElementsByTagName('a') as $anchor) {
            $link = self::linkOf($anchor, $resolve);
            if ($link !== null && $link !== $own && self::site($link) === self::site($own) && preg_match(self::FILES, (string) parse_url($link, PHP_URL_PATH)) !== 1) {
                $found[$link] = true;
            }
        }

        return array_slice(array_map(strval(...), array_keys($found)), 0, self::MOST);
    }

    /** @param  callable(string): string  $resolve */
    private static function linkOf(DOMElement $anchor, callable $resolve): ?string
    {
        $href = trim($anchor->getAttribute('href'));
        if ($href === '' || str_starts_with($href, '#') || preg_match('/^(?!https?:)[a-z][a-z0-9+.-]*:/i', $href) === 1) {
            return null;
        }
        $link = self::plain($resolve($href));

        return preg_match('#^https?://#i', $link) === 1 ? $link : null;
    }

    private static function plain(string $url): string
    {
        return explode('#', $url, 2)[0];
    }

    private static function site(string $url): string
    {
        return mb_strtolower(parse_url($url, PHP_URL_HOST).':'.parse_url($url, PHP_URL_PORT));
    }
}
