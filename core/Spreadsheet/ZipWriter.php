<?php

declare(strict_types=1);

namespace PinnedRota\Core\Spreadsheet;

use LogicException;

/**
 * Writes a ZIP archive (APPNOTE 6.3) piece by piece: memory does not grow with what is in it. An entry's sums follow its data, so
 * that the stream is never gone back in. Without the extension for 64 bits: an archive ends at 4 GiB.
 */
final class ZipWriter
{
    private const VERSION = 20;

    /** Sums follow the data; names are UTF-8. */
    private const FLAGS = 0x0808;

    private const DEFLATED = 8;

    /** 1 January 1980, the first day that it knows: the same contents give the same octets. */
    private const DAY = 0x21;

    private int $offset = 0;

    private string $directory = '';

    private int $entries = 0;

    private ?ZipEntry $entry = null;

    /** @param  resource  $stream */
    public function __construct(private readonly mixed $stream)
    {
    }

    public function open(string $name): void
    {
        $this->close();
        $this->entry = new ZipEntry($name, $this->offset);
        $this->put(pack('VvvvvvVVVvv', 0x04034B50, self::VERSION, self::FLAGS, self::DEFLATED, 0, self::DAY, 0, 0, 0, strlen($name), 0).$name);
    }

    public function write(string $data): void
    {
        $this->put(($this->entry ?? throw new LogicException('Open an entry first.'))->add($data));
    }

    public function finish(): void
    {
        $this->close();
        $begins = $this->offset;
        $this->put($this->directory);
        $this->put(pack('VvvvvVVv', 0x06054B50, 0, 0, $this->entries, $this->entries, strlen($this->directory), $begins, 0));
    }

    private function close(): void
    {
        $entry = $this->entry;
        if ($entry === null) {
            return;
        }
        $this->put($entry->rest());
        $sum = $entry->sum();
        $this->put(pack('VVVV', 0x08074B50, $sum, $entry->packed, $entry->size));
        $this->directory .= pack('VvvvvvvVVVvvvvvVV', 0x02014B50, self::VERSION, self::VERSION, self::FLAGS, self::DEFLATED, 0, self::DAY, $sum, $entry->packed, $entry->size, strlen($entry->name), 0, 0, 0, 0, 0, $entry->begins).$entry->name;
        $this->entries++;
        $this->entry = null;
    }

    private function put(string $data): void
    {
        $this->offset += strlen($data);
        fwrite($this->stream, $data);
    }
}
