<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What a document is, as it is looked at. */
enum DocumentKind: string
{
    case Calendar = 'calendar';
    case Table = 'table';
    case Page = 'page';
    case Text = 'text';

    public const MOST_ROWS = 5_000;

    private const MOST_COLUMNS = 100;

    /**
     * @param  string  $contents  all of it
     *
     * @throws NotADocument where it is none in which dates can be read
     */
    public static function of(string $contents): self
    {
        $beginning = ltrim(substr($contents, 0, 4096), "\u{FEFF} \t\r\n");
        $refusal = match (true) {
            $beginning === '' => Refusal::Empty,
            preg_match('/^(?:\x89PNG|\xff\xd8\xff|GIF8|RIFF....WEBP|BM..\0\0|II\*\0|MM\0\*)/s', $contents) === 1 => Refusal::Picture,
            str_starts_with($contents, '%PDF') => Refusal::Pdf,
            str_starts_with($contents, "PK\x03\x04") => Refusal::Office,
            str_starts_with($contents, "\xd0\xcf\x11\xe0") => Refusal::Protected,
            // Texts of two bytes have a mark in front.
            str_contains(substr($contents, 0, 4096), "\0") && preg_match('/^(?:\xff\xfe|\xfe\xff)/', $contents) !== 1 => Refusal::Binary,
            default => null,
        };
        if ($refusal !== null) {
            throw new NotADocument($refusal);
        }

        return match (true) {
            preg_match('/^BEGIN:VCALENDAR/i', $beginning) === 1 => self::Calendar,
            preg_match('/^(?:<!doctype\s+html|<\?xml|<html|<table|<ul|<ol|<dl|<body|<head|<h\d|<div|<p\b|<meta)/i', $beginning) === 1 => self::Page,
            SeparatedText::is(substr($contents, 0, 20_000)) => self::Table,
            default => self::Text,
        };
    }

    /**
     * @return list<Block>
     *
     * @throws NotADocument where it has too many rows or columns
     */
    public function blocks(string $contents): array
    {
        $blocks = match ($this) {
            self::Page => Page::blocks($contents),
            self::Table => [Block::table(1, SeparatedText::rows($contents))],
            default => PlainText::blocks($contents),
        };
        $rows = 0;
        foreach ($blocks as $block) {
            $rows += max(1, count($block->rows));
            // A table has a head besides.
            if ($rows > self::MOST_ROWS + 1) {
                throw new NotADocument(Refusal::TooLong);
            }
            foreach ($block->rows as $row) {
                if (count($row) > self::MOST_COLUMNS) {
                    throw new NotADocument(Refusal::TooWide);
                }
            }
        }

        return $blocks;
    }
}
