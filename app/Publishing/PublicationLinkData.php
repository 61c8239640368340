<?php

namespace App\Publishing;

use PinnedRota\Core\Publishing\LinkPurpose;

/** A link to a publication that is for one person or one screen. */
final readonly class PublicationLinkData
{
    /**
     * @param  ?string  $address  Only who published it is told it
     * @param  ?string  $lastReadAt  When a screen asked last; of people it is not kept
     */
    public function __construct(public int $id, public LinkPurpose $purpose, public string $name, public ?string $address, public string $madeAt, public ?string $lastReadAt)
    {
    }

    public static function of(PublicationLink $link, bool $isTold): self
    {
        return new self($link->id, $link->purpose, $link->name, $isTold ? $link->url() : null, $link->created_at->toIso8601ZuluString(), $link->last_read_at?->toIso8601ZuluString());
    }
}
