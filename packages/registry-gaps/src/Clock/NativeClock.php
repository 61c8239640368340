<?php

namespace Symfony\Component\Clock;

use DateTimeImmutable;
use DateTimeZone;

/** The system clock in one zone: the default one of PHP unless another is given. */
final class NativeClock implements ClockInterface
{
    private DateTimeZone $timezone;

    public function __construct(DateTimeZone|string|null $timezone = null)
    {
        $timezone ??= date_default_timezone_get();
        $this->timezone = is_string($timezone) ? new DateTimeZone($timezone) : $timezone;
    }

    public function now(): DateTimeImmutable
    {
        return new DateTimeImmutable('now', $this->timezone);
    }

    public function sleep(float|int $seconds): void
    {
        usleep((int) max(0, $seconds * 1_000_000));
    }

    public function withTimeZone(DateTimeZone|string $timezone): static
    {
        return new self($timezone);
    }
}
