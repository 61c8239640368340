<?php

namespace App\Sources;

use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** What came from a far side and is held back: kept as it came until somebody has said whether it is meant. */
final class HeldDocument
{
    public const DIRECTORY = 'held';

    /** @return string where it is, in the storage */
    public static function keep(FetchedDocument $document): string
    {
        $path = self::DIRECTORY.'/'.Str::random(40);
        assert($document->stream !== null);
        rewind($document->stream);
        Storage::writeStream($path, $document->stream);
        if ($document->linked !== []) {
            Storage::put("{$path}.linked", json_encode($document->linked, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
        }

        return $path;
    }

    /** What a refresh held back; null where it is not kept any more. */
    public static function of(Refresh $held, string $url): ?FetchedDocument
    {
        if ($held->path === null || ! Storage::exists($held->path)) {
            return null;
        }
        $linked = Storage::exists("{$held->path}.linked") ? json_decode((string) Storage::get("{$held->path}.linked"), true, flags: JSON_THROW_ON_ERROR) : [];

        return new FetchedDocument(Storage::readStream($held->path), null, null, $url, $linked);
    }

    public static function drop(?string $path): void
    {
        if ($path !== null) {
            Storage::delete([$path, "{$path}.linked"]);
        }
    }
}
