<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Somebody or something of the directory that can take part in an event: a person, a group or a room. */
final readonly class Party
{
    /** What stands for a group or a room in a file: they have no mail address of their own. */
    private const URN = 'urn:pinned-rota:';

    public function __construct(public PartyKind $kind, public int $id)
    {
    }

    public static function person(int $id): self
    {
        return new self(PartyKind::Person, $id);
    }

    public static function group(int $id): self
    {
        return new self(PartyKind::Group, $id);
    }

    public static function room(int $id): self
    {
        return new self(PartyKind::Room, $id);
    }

    /** The group or room that an address of ours stands for; null for any other address. */
    public static function ofAddress(string $address): ?self
    {
        if (preg_match('/^'.self::URN.'(group|room):([1-9]\d{0,17})$/Di', $address, $found) !== 1) {
            return null;
        }

        return new self(PartyKind::from(strtolower($found[1])), (int) $found[2]);
    }

    /** What stands for a group or a room in a file. */
    public function address(): string
    {
        return self::URN.$this->kind->value.':'.$this->id;
    }

    public function is(?self $other): bool
    {
        return $other !== null && $other->kind === $this->kind && $other->id === $this->id;
    }
}
