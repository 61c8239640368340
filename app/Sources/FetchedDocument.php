<?php

namespace App\Sources;

/** What an address answered. */
final readonly class FetchedDocument
{
    /**
     * @param  resource|null  $stream  null where nothing has changed since the last time (304)
     * @param  string  $url  that answered, after redirects
     * @param  array<string, string>  $linked  pages that it leads to, by address
     */
    public function __construct(public mixed $stream, public ?string $etag, public ?string $lastModified, public string $url, public array $linked = [])
    {
    }

    /** @param  array<string, string>  $pages  by address */
    public function with(array $pages): self
    {
        return new self($this->stream, $this->etag, $this->lastModified, $this->url, $pages);
    }

    /** Whether it is packed, as the files of office programs are. */
    public function isPacked(): bool
    {
        return $this->stream !== null && stream_get_contents($this->stream, 4, 0) === "PK\x03\x04";
    }

    /** All of it, read from its beginning. */
    public function contents(): string
    {
        return $this->stream === null ? '' : (string) stream_get_contents($this->stream, offset: 0);
    }
}
