<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\ICalendar\Property;

/** An address that the file of an event names beside its link: where to meet over the net, a picture, a document (RFC 7986, 5.10 and 5.11; RFC 5545, 3.8.1.1). */
final readonly class EventLink
{
    private const KINDS = ['CONFERENCE' => 'conference', 'IMAGE' => 'image', 'ATTACH' => 'document'];

    private const MOST = 20;

    /** What a browser or a telephone may open safely: a script in an address would run in the reader's name. */
    private const SAFE = ['CONFERENCE' => '#^(https?://|tel:)\S{1,1990}$#Di', 'IMAGE' => '#^https?://\S{1,1990}$#Di', 'ATTACH' => '#^https?://\S{1,1990}$#Di'];

    /**
     * @param  'conference'|'image'|'document'  $kind
     * @param  string  $label  for people; the address where the file has none
     */
    private function __construct(public string $kind, public string $address, public string $label)
    {
    }

    /** @return list<self> */
    public static function of(ForeignContent $foreign): array
    {
        $links = [];
        foreach ($foreign->properties as $property) {
            if (isset(self::KINDS[$property->name]) && preg_match(self::SAFE[$property->name], trim($property->value)) === 1) {
                $links[] = new self(self::KINDS[$property->name], trim($property->value), self::label($property));
            }
        }

        return array_slice($links, 0, self::MOST);
    }

    private static function label(Property $property): string
    {
        $label = trim($property->parameter('LABEL') ?? $property->parameter('FILENAME') ?? '');

        return $label === '' ? trim($property->value) : mb_substr($label, 0, 200);
    }
}
