<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** A time as its author meant it: a date, a floating wall time, or a wall time in a zone. */
final class EventTime
{
    /** @param  ?int  $indexSeconds  what indexSeconds() worked out: it is asked for many times */
    private function __construct(
        public readonly TimeKind $kind,
        public readonly LocalDateTime $local,
        public readonly ?Zone $zone,
        private ?int $indexSeconds = null,
    ) {
    }

    public static function date(LocalDateTime $date): self
    {
        return new self(TimeKind::Date, LocalDateTime::midnight($date->day()), null);
    }

    public static function floating(LocalDateTime $local): self
    {
        return new self(TimeKind::Floating, $local, null);
    }

    public static function zoned(LocalDateTime $local, Zone $zone): self
    {
        return new self(TimeKind::Zoned, $local, $zone);
    }

    /**
     * An instant (UTC seconds) as the clocks of a zone show it. It stays that instant where they show it twice, as in the hour that
     * comes again when they are put back; a wall time alone would be the first of the two.
     */
    public static function instant(int $seconds, Zone $zone): self
    {
        return new self(TimeKind::Zoned, new LocalDateTime($zone->toLocal($seconds)), $zone, $seconds);
    }

    /** The same kind and zone at another wall time. */
    public function at(LocalDateTime $local): self
    {
        return new self($this->kind, $local, $this->zone);
    }

    /**
     * The same kind and zone at many wall times, whose places on the index's axis are known.
     *
     * @param  list<int>  $locals  local seconds (see LocalDateTime)
     * @param  list<int>  $instants  on the index's axis, in the same order
     * @return list<self>
     */
    public function atEach(array $locals, array $instants): array
    {
        $times = [];
        [$kind, $zone] = [$this->kind, $this->zone];
        foreach ($locals as $index => $local) {
            $times[] = new self($kind, new LocalDateTime($local), $zone, $instants[$index]);
        }

        return $times;
    }

    /**
     * The place on the index's axis, in seconds: the UTC instant of a zoned time; of a date or a floating time,
     * which are no instants, the wall time as though it were UTC.
     */
    public function indexSeconds(): int
    {
        return $this->indexSeconds ??= $this->zone === null ? $this->local->seconds : $this->zone->toUtc($this->local->seconds);
    }

    /** The same instant, told in this zone; dates and floating times stay what they are. */
    public function inZone(Zone $zone): self
    {
        return $this->zone === null || $this->zone->id === $zone->id
            ? $this
            : self::zoned(new LocalDateTime($zone->toLocal($this->indexSeconds())), $zone);
    }

    /** The moment that comes this many exact seconds later (days, for a date). */
    public function plusExactSeconds(int $seconds): self
    {
        if ($this->zone === null) {
            return $this->at($this->local->plusSeconds($seconds));
        }

        return $this->at(new LocalDateTime($this->zone->toLocal($this->indexSeconds() + $seconds)));
    }

    /** The last moment before it that UNTIL may name (RFC 5545, 3.3.10): the day before a date, else a second before, in UTC where it has a zone. */
    public function justBefore(): self
    {
        return match ($this->kind) {
            TimeKind::Date => self::date($this->local->plusDays(-1)),
            TimeKind::Floating => self::floating($this->local->plusSeconds(-1)),
            TimeKind::Zoned => self::zoned(new LocalDateTime($this->indexSeconds() - 1), Zone::utc()),
        };
    }

    /** Its date, or its own wall time to the minute: `2026-11-02`, `2026-11-02T09:30`. */
    public function wall(): string
    {
        return $this->kind === TimeKind::Date ? $this->local->toDate() : $this->local->toMinute();
    }

    public function equals(self $other): bool
    {
        return $this->kind === $other->kind && $this->indexSeconds() === $other->indexSeconds();
    }

    /** @return array{string, int, ?string, ?int} zones by their ids: many times are in one, and it is found again */
    public function __serialize(): array
    {
        return [$this->kind->value, $this->local->seconds, $this->zone?->id, $this->indexSeconds];
    }

    /** @param  array{string, int, ?string, ?int}  $data */
    public function __unserialize(array $data): void
    {
        $this->kind = TimeKind::from($data[0]);
        $this->local = new LocalDateTime($data[1]);
        $this->zone = $data[2] === null ? null : Zone::of($data[2]);
        $this->indexSeconds = $data[3];
    }
}
