<?php

declare(strict_types=1);

namespace PinnedRota\Core\Spreadsheet;

use DeflateContext;
use HashContext;
use LogicException;

/** What is being written into an archive, with what is to be said of it afterwards. */
final class ZipEntry
{
    public int $size = 0;

    public int $packed = 0;

    private readonly DeflateContext $deflate;

    private readonly HashContext $sum;

    /** @param  int  $begins  where it begins, in octets from the beginning of the archive */
    public function __construct(public readonly string $name, public readonly int $begins)
    {
        $this->deflate = deflate_init(ZLIB_ENCODING_RAW) ?: throw new LogicException('zlib does not deflate.');
        $this->sum = hash_init('crc32b');
    }

    /** @return string as much of it as can be told already, deflated */
    public function add(string $data): string
    {
        $this->size += strlen($data);
        hash_update($this->sum, $data);

        return $this->told(deflate_add($this->deflate, $data, ZLIB_NO_FLUSH));
    }

    /** @return string the rest of it, deflated */
    public function rest(): string
    {
        return $this->told(deflate_add($this->deflate, '', ZLIB_FINISH));
    }

    /** CRC-32, once all of it was added. */
    public function sum(): int
    {
        return (int) hexdec(hash_final($this->sum));
    }

    private function told(string|false $packed): string
    {
        $this->packed += strlen((string) $packed);

        return (string) $packed;
    }
}
