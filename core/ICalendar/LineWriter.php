<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Closure;
use PinnedRota\Core\Time\LocalDateTime;
use RuntimeException;

/** Writes content lines (RFC 5545, 3.1): CRLF, folded at 75 octets without cutting a character. */
final readonly class LineWriter
{
    private const CONTROL = '/[\x00-\x08\x0A-\x1F\x7F]/';

    private const WIDTH = 75;

    /**
     * @param  resource  $stream
     * @param  int  $width  octets a line has before it is folded
     */
    public function __construct(private mixed $stream, private int $width = self::WIDTH)
    {
    }

    /**
     * The content lines that are written, unfolded, as text.
     *
     * @param  Closure(self): void  $write
     */
    public static function unfolded(Closure $write): string
    {
        $stream = fopen('php://memory', 'w+') ?: throw new RuntimeException('No memory stream could be opened.');
        $write(new self($stream, PHP_INT_MAX));
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** @param  array<string, string|list<string>>  $parameters */
    public function property(string $name, string $value, array $parameters = []): void
    {
        $line = $name;
        foreach ($parameters as $parameter => $values) {
            $line .= ';'.$parameter.'='.implode(',', array_map($this->parameterValue(...), (array) $values));
        }
        $this->line($line.':'.$value);
    }

    public function text(string $name, string $text): void
    {
        $this->property($name, Text::escape($text));
    }

    /** @param  int  $seconds  UTC */
    public function moment(string $name, int $seconds): void
    {
        $this->property($name, self::utc($seconds));
    }

    /** UTC seconds as a DATE-TIME (RFC 5545, 3.3.5). */
    public static function utc(int $seconds): string
    {
        return (new LocalDateTime($seconds))->toBasicDateTime().'Z';
    }

    /** Control characters other than the tab stand in no content line (RFC 5545, 3.1): they are left out. */
    public function line(string $line): void
    {
        if (preg_match(self::CONTROL, $line) === 1) {
            $line = (string) preg_replace(self::CONTROL, '', $line);
        }
        $folded = '';
        $room = $this->width;
        while (strlen($line) > $room) {
            $piece = mb_strcut($line, 0, $room, 'UTF-8');
            $folded .= $piece."\r\n ";
            $line = substr($line, strlen($piece));
            $room = $this->width - 1;
        }
        fwrite($this->stream, $folded.$line."\r\n");
    }

    private function parameterValue(string $value): string
    {
        $encoded = strtr($value, ['^' => '^^', "\n" => '^n', '"' => "^'"]);

        return preg_match('/[;:,]/', $encoded) === 1 ? '"'.$encoded.'"' : $encoded;
    }
}
