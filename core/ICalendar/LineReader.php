<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Generator;

/**
 * Unfolded content lines from a stream (RFC 5545, 3.1), in constant memory.
 *
 * Lines may end in CRLF, LF or CR; a byte order mark is dropped; folds inside a UTF-8 sequence are joined.
 * Text that is not UTF-8 is read as Windows-1252, which holds Latin-1; a file that begins with the mark of UTF-16 is read as that. Of a
 * content line over MAX_LENGTH octets what is past them is cut, with a diagnostic.
 */
final readonly class LineReader
{
    public const MAX_LENGTH = 4_194_304;

    private const CHUNK = 65_536;

    /** What stands in no content line (RFC 5545, 3.1), but for the ends of lines. */
    private const CONTROL = '/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/';

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
            $this->diagnostics->add($number, '', 'the line is longer than '.self::MAX_LENGTH.' octets and is cut there', Outcome::Mended);
            $content = mb_strcut($content, 0, self::MAX_LENGTH, 'UTF-8');
        }
        if (! mb_check_encoding($content, 'UTF-8')) {
            $this->diagnostics->addOnce($number, '', 'the text is not UTF-8, here and perhaps further down; it is read as Windows-1252', Outcome::Mended);
            $content = mb_convert_encoding($content, 'UTF-8', 'Windows-1252');
        }

        return trim($content) === '' ? null : $content;
    }

    /**
     * UTF-16 as UTF-8.
     *
     * @return array{string, string} the text, and what of it has to wait for its other half
     */
    private function narrowed(string $octets, string $encoding): array
    {
        $whole = strlen($octets) - strlen($octets) % 2;
        // The first half of a pair may stand at the very end: its high octet tells.
        $high = $whole < 2 ? 0 : ord($octets[$encoding === 'UTF-16LE' ? $whole - 1 : $whole - 2]);
        if ($high >= 0xD8 && $high < 0xDC) {
            $whole -= 2;
        }

        return [(string) mb_convert_encoding(substr($octets, 0, $whole), 'UTF-8', $encoding), substr($octets, $whole)];
    }

    /** @return Generator<int, list<string>> lines of the file, some at a time */
    private function chunks(): Generator
    {
        $rest = $held = $half = '';
        $first = true;
        $wide = null;
        while (! feof($this->stream)) {
            $chunk = fread($this->stream, self::CHUNK);
            if ($chunk === false || ($chunk === '' && $rest === '')) {
                break;
            }
            if ($first && (str_starts_with($chunk, "\xFF\xFE") || str_starts_with($chunk, "\xFE\xFF"))) {
                $wide = $chunk[0] === "\xFF" ? 'UTF-16LE' : 'UTF-16BE';
                $chunk = substr($chunk, 2);
                $this->diagnostics->add(1, '', 'the file is UTF-16', Outcome::Mended);
            }
            if ($wide !== null) {
                [$chunk, $half] = $this->narrowed($half.$chunk, $wide);
            }
            if ($first) {
                $chunk = str_starts_with($chunk, "\xEF\xBB\xBF") ? substr($chunk, 3) : $chunk;
                $first = false;
            }
            if (preg_match(self::CONTROL, $chunk) === 1) {
                $this->diagnostics->addOnce(0, '', 'control characters stand in the text; they are left out', Outcome::Mended);
                $chunk = (string) preg_replace(self::CONTROL, '', $chunk);
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
