<?php

namespace App\Events\Write\Commands;

use App\Events\Write\Actor;
use App\Events\Write\Command;
use App\Events\Write\SeriesTable;

/** Hangs a file on a series, once its contents are in the storage. */
final readonly class AttachFile implements Command
{
    /**
     * @param  string  $type  of its contents
     * @param  int  $size  in octets
     * @param  string  $path  in the storage
     */
    public function __construct(private int $seriesId, private string $name, private string $type, private int $size, private string $path)
    {
    }

    public function seriesId(): int
    {
        return $this->seriesId;
    }

    public function apply(SeriesTable $table, Actor $actor): int
    {
        $table->attach($this->seriesId, ['name' => $this->name, 'type' => $this->type, 'size' => $this->size, 'path' => $this->path], $actor);

        return $this->seriesId;
    }
}
