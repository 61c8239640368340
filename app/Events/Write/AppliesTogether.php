<?php

namespace App\Events\Write;

/** A command of which many that follow each other are carried out in a few statements. */
interface AppliesTogether extends Command
{
    /**
     * @param  non-empty-list<static>  $commands
     * @return list<int> the head of the series that each has changed, in the same order
     */
    public static function applyAll(array $commands, SeriesTable $table, Actor $actor): array;
}
