<?php

namespace App\Rooms;

/** A room. */
final readonly class RoomData
{
    public function __construct(
        public int $id,
        public string $name,
    ) {
    }

    public static function of(Room $room): self
    {
        return new self($room->id, $room->name);
    }
}
