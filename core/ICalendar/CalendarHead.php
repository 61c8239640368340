<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;

/** What a calendar says of itself (RFC 7986). */
final readonly class CalendarHead
{
    /**
     * @param  string  $uid  the same for as long as the calendar is the same
     * @param  ?int  $modified  when anything of it was last changed, UTC seconds
     * @param  string  $url  where people find it
     * @param  ?string  $colour  a name of CSS
     * @param  ?int  $refreshMinutes  after how long it is to be asked for again
     * @param  string  $source  the address at which it can be had anew
     * @param  list<Property>  $more  what else it says; of a NAME in it none is made of the name
     */
    public function __construct(
        public string $name = '',
        public string $uid = '',
        public ?int $modified = null,
        public string $description = '',
        public string $url = '',
        public ?string $colour = null,
        public ?int $refreshMinutes = null,
        public string $source = '',
        public array $more = [],
    ) {
    }

    /** Of what was read: after how many minutes it wants to be asked for again (RFC 7986, 5.7, or as it was written before); null where it does not say. */
    public function askedAfter(): ?int
    {
        foreach ($this->more as $property) {
            if (in_array($property->name, ['REFRESH-INTERVAL', 'X-PUBLISHED-TTL'], true)) {
                try {
                    $length = Duration::parse($property->value);
                } catch (InvalidTime) {
                    continue;
                }
                $minutes = $length->days * 1440 + intdiv($length->seconds, 60);
                if ($minutes > 0) {
                    return $minutes;
                }
            }
        }

        return null;
    }

    public function write(LineWriter $writer): void
    {
        if ($this->uid !== '') {
            $writer->text('UID', $this->uid);
        }
        if ($this->modified !== null) {
            $writer->moment('LAST-MODIFIED', $this->modified);
        }
        if ($this->name !== '') {
            if (array_filter($this->more, static fn (Property $each): bool => $each->name === 'NAME') === []) {
                $writer->text('NAME', $this->name);
            }
            $writer->text('X-WR-CALNAME', $this->name);
        }
        if ($this->description !== '') {
            $writer->text('DESCRIPTION', $this->description);
        }
        if ($this->url !== '') {
            $writer->property('URL', $this->url, ['VALUE' => 'URI']);
        }
        if ($this->colour !== null) {
            $writer->property('COLOR', $this->colour);
        }
        if ($this->refreshMinutes !== null) {
            $writer->property('REFRESH-INTERVAL', "PT{$this->refreshMinutes}M", ['VALUE' => 'DURATION']);
        }
        if ($this->source !== '') {
            $writer->property('SOURCE', $this->source, ['VALUE' => 'URI']);
        }
        foreach ($this->more as $property) {
            $writer->property($property->name, $property->value, $property->parameters);
        }
    }
}
