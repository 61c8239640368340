<?php

namespace App\Live;

/** Where nothing is pushed: browsers ask now and then. */
final class NoPublisher implements Publisher
{
    public function publish(array $channels, string $message): void
    {
    }

    public function close(array $channels): void
    {
    }
}
