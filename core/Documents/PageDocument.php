<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use DOMDocument;

/** A page of the web as a tree, however badly it is written. */
final class PageDocument
{
    public static function of(string $html): DOMDocument
    {
        $document = new DOMDocument;
        if (trim($html) === '') {
            return $document;
        }
        $before = libxml_use_internal_errors(true);
        // What says no encoding is UTF-8, as nearly all pages are.
        $document->loadHTML(preg_match('/<meta[^>]+charset/i', $html) === 1 ? $html : '<?xml encoding="UTF-8">'.$html, LIBXML_NONET | LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $document;
    }
}
