<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/**
 * The inks a layer or a calendar can be drawn in. They stay apart for colour-blind eyes in both themes;
 * the values are in resources/css/inks.css.
 */
enum Colour: string
{
    case Sea = 'sea';
    case Brick = 'brick';
    case Moss = 'moss';
    case Plum = 'plum';
    case Ochre = 'ochre';
    case Cobalt = 'cobalt';
    case Pine = 'pine';
    case Rose = 'rose';
    case Slate = 'slate';
    case Umber = 'umber';

    /** The colour of CSS that comes nearest: what COLOR may say (RFC 7986, 5.9). */
    public function cssName(): string
    {
        return match ($this) {
            self::Sea => 'teal',
            self::Brick => 'firebrick',
            self::Moss => 'olivedrab',
            self::Plum => 'purple',
            self::Ochre => 'goldenrod',
            self::Cobalt => 'royalblue',
            self::Pine => 'seagreen',
            self::Rose => 'palevioletred',
            self::Slate => 'slategray',
            self::Umber => 'saddlebrown',
        };
    }
}
