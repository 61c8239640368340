<?php

namespace App\Attachments;

use App\Events\EventRecord;

final class AttachmentsJson
{
    /** @return list<array<string, mixed>> those of an event, by when they were added */
    public static function of(EventRecord $head): array
    {
        return Attachment::query()->where('event_id', $head->id)->orderBy('id')->get()->map(self::tell(...))->all();
    }

    /** @return array<string, mixed> */
    public static function tell(Attachment $attachment): array
    {
        return ['id' => $attachment->id, 'name' => $attachment->name, 'size' => $attachment->size];
    }
}
