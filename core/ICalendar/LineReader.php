<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Generator;

/**
 * Unfolded content lines from a stream (RFC 5545, 3.1), in constant memory.
 *
 * Lines may end in CRLF, LF or CR; a byte order mark is dropped; folds inside a UTF-8 sequence are joined.
 * Text that is not UTF-8 is scrubbed. A content line over MAX_LENGTH octets is left out with a diagnostic.
 */
final readonly class LineReader
{
    public const MAX_LENGTH = 4_194_304;

    private const CHUNK = 65_536;

    /** @param  resource  $stream */
    public function __construct(private mixed $stream, private Diagnostics $diagnostics)
    {
    }

    /** @return Generator<int, string> content lines by the number of the line they begin on; none is empty */
    public function lines(): Generator
    {
        $content = null;
        $begins = $number = 0;
        foreach ($this->chunks() as $lines) {
            foreach ($lines as $line) {
                $number++;
                if ($content !== null && $line !== '' && ($line[0] === ' ' || $line[0] === "\t")) {
                    if (strlen($content) <= self::MAX_LENGTH) {
                        $content .= substr($line, 1);
                    }

                    continue;
                }
                if ($content !== null && ($finished = $this->finished($begins, $content)) !== null) {
                    yield $begins => $finished;
                }
                $content = $line;
                $begins = $number;
            }
        }
        if ($content !== null && ($finished = $this->finished($begins, $content)) !== null) {
            yield $begins => $finished;
        }
    }

    /** A content line that is whole now, or null where there is nothing to it. */
    private function finished(int $number, string $content): ?string
    {
        if (strlen($content) > self::MAX_LENGTH) {
            $this->diagnostics->add($number, '', 'the line is longer than '.self::MAX_LENGTH.' octets', Outcome::Skipped);

            return null;
        }
        if (! mb_check_encoding($content, 'UTF-8')) {
            $this->diagnostics->add($number, '', 'the text is not UTF-8', Outcome::Mended);
            $content = mb_scrub($content, 'UTF-8');
        }

        return trim($content) === '' ? null : $content;
    }

    /** @return Generator<int, list<string>> lines of the file, some at a time */
    private function chunks(): Generator
    {
        $rest = $held = '';
        $first = true;
        while (! feof($this->stream)) {
            $chunk = fread($this->stream, self::CHUNK);
            if ($chunk === false || ($chunk === '' && $rest === '')) {
                break;
            }
            if ($first) {
                $chunk = str_starts_with($chunk, "\xEF\xBB\xBF") ? substr($chunk, 3) : $chunk;
                $first = false;
            }
            $chunk = $held.$chunk;
            // A CR at the very end may be half of a CRLF: it waits for the next chunk.
            $held = str_ends_with($chunk, "\r") && ! feof($this->stream) ? "\r" : '';
            $lines = preg_split('/\r\n|\n|\r/', $held === '' ? $chunk : substr($chunk, 0, -1)) ?: [''];
            // What is too long already is kept no longer than tells it apart.
            $lines[0] = strlen($rest) > self::MAX_LENGTH ? $rest : $rest.$lines[0];
            $rest = array_pop($lines);
            yield $lines;
        }
        if ($rest.$held !== '') {
            yield [rtrim($rest.$held, "\r")];
        }
    }
}
