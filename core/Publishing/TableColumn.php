<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

/** What a published table can have besides the title and the time of each event. */
enum TableColumn: string
{
    case State = 'state';
    case Place = 'place';
    case Categories = 'categories';
    case Responsible = 'responsible';
    case Layer = 'layer';

    /** Whether a publication that tells so much has it at all. */
    public function isToldBy(Detail $detail): bool
    {
        return match ($this) {
            self::State => $detail->tellsWhat(),
            self::Place, self::Categories => $detail->tellsWhere(),
            self::Responsible => $detail->tellsWho(),
            self::Layer => true,
        };
    }
}
