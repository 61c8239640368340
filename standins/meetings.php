<?php

declare(strict_types=1);

/** A service that makes meetings online: it answers with the address of a new one, at which there is a room with nobody in it. */
function meeting(?string $room): void
{
    if ($room === null) {
        header('Content-Type: application/json');
        echo json_encode(['url' => 'http://127.0.0.1:'.(int) $_SERVER['SERVER_PORT'].'/meet/'.bin2hex(random_bytes(8))], JSON_UNESCAPED_SLASHES);

        return;
    }
    header('Content-Type: text/html; charset=utf-8');
    $name = htmlspecialchars($room);
    echo "<!doctype html><html lang=\"en\"><meta name=\"viewport\" content=\"width=device-width\"><title>Meeting {$name}</title><body style=\"font-family:sans-serif;margin:4rem auto;max-width:32rem\"><h1>Meeting room</h1><p>A stand-in for a service of meetings online: room <code>{$name}</code>. Nobody is here.</p>";
}
