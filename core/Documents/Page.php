<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use DOMElement;
use DOMNode;
use DOMText;

/** Reads a page of the web: its headings, paragraphs, lists and tables, without what leads elsewhere. */
final class Page
{
    private const SKIPPED = ['script', 'style', 'nav', 'footer', 'noscript', 'template', 'head', 'form', 'svg'];

    private const HEADINGS = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'caption', 'dt'];

    private const LINES = ['p', 'li', 'dd', 'div', 'section', 'article', 'main', 'body', 'header', 'address', 'blockquote', 'ul', 'ol', 'dl', 'figcaption', 'pre', 'td'];

    /** Cells that one spans, at most: more are a page that means harm. */
    private const MOST_SPANNED = 200;

    /** A page that says less in itself shows the rest by a program. */
    private const FEW_WORDS = 40;

    /** @var list<Block> */
    private array $blocks = [];

    private string $line = '';

    /** @return list<Block> */
    public static function blocks(string $html): array
    {
        $page = new self;
        foreach (PageDocument::of($html)->childNodes as $node) {
            $page->read($node);
        }
        $page->end();

        return $page->blocks;
    }

    /** What a page calls itself; empty where it does not. */
    public static function title(string $html): string
    {
        return preg_match('#<title[^>]*>(.*?)</title>#is', $html, $found) === 1 ? trim((string) preg_replace('/\s+/u', ' ', html_entity_decode($found[1], ENT_QUOTES | ENT_HTML5))) : '';
    }

    /** Why a page may have no event in it; null where it may just have none. */
    public static function withoutEvents(string $html): ?Refusal
    {
        $words = array_sum(array_map(static fn (Block $block): int => str_word_count($block->text), self::blocks($html)));

        return match (true) {
            preg_match('/<input[^>]+type\s*=\s*["\']?password/i', $html) === 1, preg_match('/\b(?:sign|log)[- ]?in\b/i', self::title($html)) === 1 => Refusal::SignIn,
            $words < self::FEW_WORDS && preg_match('/<script\b/i', $html) === 1 => Refusal::NeedsScript,
            default => null,
        };
    }

    private function read(DOMNode $node): void
    {
        if ($node instanceof DOMText) {
            $this->line .= $node->data;

            return;
        }
        if (! $node instanceof DOMElement || in_array($node->tagName, self::SKIPPED, true)) {
            return;
        }
        if ($node->tagName === 'table') {
            $this->end();
            $rows = $this->rows($node);
            if ($rows !== []) {
                $this->blocks[] = Block::table($node->getLineNo(), $rows);
            }

            return;
        }
        if ($node->tagName === 'br') {
            $this->end($node->getLineNo());

            return;
        }
        $isHeading = in_array($node->tagName, self::HEADINGS, true);
        if ($isHeading || in_array($node->tagName, self::LINES, true)) {
            $this->end($node->getLineNo());
        }
        foreach ($node->childNodes as $child) {
            $this->read($child);
        }
        if ($isHeading) {
            $text = trim($this->line);
            $this->line = '';
            if ($text !== '') {
                $this->blocks[] = Block::heading($node->getLineNo(), $text);
            }
        } elseif (in_array($node->tagName, self::LINES, true)) {
            $this->end($node->getLineNo());
        }
    }

    private function end(int $line = 1): void
    {
        if (trim($this->line, " \t\n\r\u{a0}") !== '') {
            $this->blocks[] = Block::text($line, $this->line);
        }
        $this->line = '';
    }

    /** @return list<list<string>> */
    private function rows(DOMElement $table): array
    {
        $rows = $spanning = [];
        foreach ($table->getElementsByTagName('tr') as $tr) {
            $row = [];
            foreach ($tr->childNodes as $cell) {
                if (! $cell instanceof DOMElement || ! in_array($cell->tagName, ['td', 'th'], true)) {
                    continue;
                }
                $this->fill($row, $spanning);
                [$across, $down] = [self::span($cell, 'colspan'), self::span($cell, 'rowspan')];
                for ($i = 0; $i < $across; $i++) {
                    $spanning[count($row)] = [$down - 1, $cell->textContent];
                    $row[] = $cell->textContent;
                }
            }
            $this->fill($row, $spanning);
            $rows[] = $row;
        }

        return $rows;
    }

    /**
     * Cells of earlier rows that reach into this one.
     *
     * @param  list<string>  $row
     * @param  array<int, array{int, string}>  $spanning  how many rows more, and what is in it, by column
     */
    private function fill(array &$row, array &$spanning): void
    {
        while (($spanning[count($row)][0] ?? 0) > 0) {
            $spanning[count($row)][0]--;
            $row[] = $spanning[count($row)][1];
        }
    }

    private static function span(DOMElement $cell, string $name): int
    {
        return max(1, min(self::MOST_SPANNED, (int) $cell->getAttribute($name)));
    }
}
