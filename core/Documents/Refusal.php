<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** Why a document is not read. */
enum Refusal: string
{
    case Empty = 'empty';
    case Picture = 'picture';
    case Pdf = 'pdf';
    case Office = 'office';
    case Binary = 'binary';
    case TooLong = 'too long';
    case TooWide = 'too wide';

    public function words(): string
    {
        return match ($this) {
            self::Empty => 'There is nothing in it.',
            self::Picture => 'This is a picture. Dates are read from texts and tables: copy the text, and paste it here.',
            self::Pdf => 'This is a PDF. Open it, copy the text or the table, and paste it here.',
            self::Office => 'This is a file of a word processor or a spreadsheet. Open it, copy the table or the text, and paste it here; or save it as CSV.',
            self::Binary => 'This is no text, no table and no calendar file.',
            self::TooLong => 'It has more than 5,000 lines. Bring it in in parts.',
            self::TooWide => 'It has more than 100 columns. Copy those that say what and when, and paste them here.',
        };
    }
}
