<?php

namespace App\Attachments;

use App\Events\EventRecord;

/** A file that hangs on an event. */
final readonly class AttachmentData
{
    /**
     * @param  int  $size  In octets
     */
    public function __construct(
        public int $id,
        public string $name,
        public int $size,
    ) {
    }

    public static function of(Attachment $attachment): self
    {
        return new self($attachment->id, $attachment->name, $attachment->size);
    }

    /** @return list<self> those of an event, by when they were added */
    public static function ofEvent(EventRecord $head): array
    {
        return Attachment::query()->where('event_id', $head->id)->orderBy('id')->get()->map(self::of(...))->all();
    }
}
