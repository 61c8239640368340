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

    /** Packed as one piece: of an office program of long ago, or of one of today behind a password. */
    case Protected = 'protected';
    case Binary = 'binary';
    case TooLong = 'too long';
    case TooWide = 'too wide';

    /** A page on which one has to say who one is. */
    case SignIn = 'sign-in';

    /** A page that shows what it shows by a program. */
    case NeedsScript = 'needs script';

    public function words(): string
    {
        return match ($this) {
            self::Empty => 'There is nothing in it.',
            self::Picture => 'This is a picture. Dates are read from texts and tables: copy the text, and paste it here.',
            self::Pdf => 'This is a PDF. Open it, copy the text or the table, and paste it here.',
            self::Office => 'This is a file of a word processor or a spreadsheet. Open it, copy the table or the text, and paste it here; or save it as CSV.',
            self::Protected => 'This file is protected by a password, or of a form of long ago. Save it without a password in today’s form, or copy the table and paste it here.',
            self::Binary => 'This is no text, no table and no calendar file.',
            self::TooLong => 'It has more than 5,000 lines. Bring it in in parts.',
            self::SignIn => 'This is a page that asks who one is, and not what it leads to. Enter how one signs in, or ask for an address that needs none.',
            self::NeedsScript => 'This page puts its dates in place by a program: in the page itself there are none. Look on it for the address of a calendar, or copy what it shows and bring that in.',
            self::TooWide => 'It has more than 100 columns. Copy those that say what and when, and paste them here.',
        };
    }
}
