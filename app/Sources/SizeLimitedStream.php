<?php

namespace App\Sources;

use GuzzleHttp\Psr7\StreamDecoratorTrait;
use Psr\Http\Message\StreamInterface;
use Throwable;

/** A stream that refuses to grow past a size: curl then ends the transfer. */
final class SizeLimitedStream implements StreamInterface
{
    use StreamDecoratorTrait;

    public bool $overflowed = false;

    private int $written = 0;

    private StreamInterface $stream;

    public function __construct(StreamInterface $stream, private readonly int $most, private readonly Throwable $problem)
    {
        $this->stream = $stream;
    }

    public function write($string): int
    {
        $this->written += strlen($string);
        if ($this->written > $this->most) {
            $this->overflowed = true;
            throw $this->problem;
        }

        return $this->stream->write($string);
    }
}
