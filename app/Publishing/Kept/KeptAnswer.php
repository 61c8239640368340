<?php

namespace App\Publishing\Kept;

/** An answer as it is kept: a line of what is to be known of it, then its content, which is read when it is sent. */
final class KeptAnswer
{
    /**
     * @param  array<string, string>  $headers
     * @param  resource  $stream  at the beginning of its content
     */
    private function __construct(public readonly array $headers, public readonly int $stamp, public readonly int $ends, public readonly string $of, private readonly mixed $stream)
    {
    }

    /** @param  array<string, string>  $headers */
    public static function written(string $content, array $headers, int $stamp, int $ends, string $of): string
    {
        return json_encode([$headers, $stamp, $ends, $of], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES)."\n".$content;
    }

    /** @param  resource  $stream  null where what is in it is none */
    public static function read(mixed $stream): ?self
    {
        $told = json_decode((string) fgets($stream), true);

        return is_array($told) && count($told) === 4 ? new self(...[...$told, $stream]) : null;
    }

    /** Whether its reader has it already, as they say (RFC 9110, 13.1.2 and 13.1.3): a mark counts before a time. */
    public function isHad(string $ifNoneMatch, string $ifModifiedSince): bool
    {
        if ($ifNoneMatch === '') {
            return $ifModifiedSince !== '' && $ifModifiedSince === ($this->headers['Last-Modified'] ?? null);
        }
        // What was compressed on its way has a weak mark.
        $marks = array_map(static fn (string $each): string => (string) preg_replace('#^W/#', '', trim($each)), explode(',', $ifNoneMatch));

        return in_array('*', $marks, true) || in_array($this->headers['ETag'] ?? '', $marks, true);
    }

    public function content(): string
    {
        return (string) stream_get_contents($this->stream);
    }

    public function send(): void
    {
        fpassthru($this->stream);
    }
}
