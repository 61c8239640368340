<?php

namespace App\ICalendar;

use RuntimeException;

/** The file that a command was given; `-` is standard input. */
final class InputFile
{
    /**
     * @return resource
     *
     * @throws RuntimeException where it cannot be read
     */
    public static function open(string $name): mixed
    {
        if ($name === '-') {
            return STDIN;
        }
        if (! is_file($name) || ! is_readable($name)) {
            throw new RuntimeException("{$name} cannot be read.");
        }

        return fopen($name, 'r') ?: throw new RuntimeException("{$name} cannot be opened.");
    }
}
