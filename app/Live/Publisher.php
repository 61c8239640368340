<?php

namespace App\Live;

/** The way to whoever is connected. What cannot be told is found by the browser when it asks what it has missed. */
interface Publisher
{
    /** @param  list<string>  $channels */
    public function publish(array $channels, string $message): void;

    /**
     * Ends every connection that listens to one of these.
     *
     * @param  list<string>  $channels
     */
    public function close(array $channels): void;
}
