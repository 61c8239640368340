<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Time\LocalDateTime;

/** An event as a document says it. */
final readonly class ExtractedEvent
{
    /**
     * @param  LocalDateTime  $start  on the wall of whoever reads
     * @param  LocalDateTime  $end  exclusive; of an all-day event the day after its last
     * @param  int  $line  of the document, or row of its table, from 1
     * @param  string  $said  what was understood of it, as it stands there
     * @param  array<string, string>  $fields  what else a table says of it, by the name of its column’s role
     * @param  list<string>  $doubts  what is to be looked at, in words
     * @param  string  $key  what tells the row of a table from the others, whatever else it says; empty where nothing was chosen for that
     */
    public function __construct(
        public string $title,
        public LocalDateTime $start,
        public LocalDateTime $end,
        public bool $allDay,
        public string $place,
        public int $line,
        public string $said,
        public array $fields = [],
        public array $doubts = [],
        public string $key = '',
    ) {
    }

    /** The same with something more that is to be looked at. */
    public function doubted(string $doubt): self
    {
        return new self($this->title, $this->start, $this->end, $this->allDay, $this->place, $this->line, $this->said, $this->fields, [...$this->doubts, $doubt], $this->key);
    }

    /** The same with a column of a role saying something else. */
    public function saying(ColumnRole $role, string $value): self
    {
        return new self($this->title, $this->start, $this->end, $this->allDay, $this->place, $this->line, $this->said, [$role->value => $value] + $this->fields, $this->doubts, $this->key);
    }

    /** The same with what a column of a role would say, where none has said it. */
    public function withField(ColumnRole $role, string $value): self
    {
        return new self($this->title, $this->start, $this->end, $this->allDay, $this->place, $this->line, $this->said, $this->fields + [$role->value => $value], $this->doubts, $this->key);
    }
}
