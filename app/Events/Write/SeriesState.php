<?php

namespace App\Events\Write;

/**
 * A series as the database has it, to the byte: as it was before a change, and as it is after it. It is put back to undo the
 * change. Where it is pinned is told here, and is not put back with it: that is done beside it, by others.
 *
 * @phpstan-type Rows list<array<string, mixed>>
 */
final readonly class SeriesState
{
    /** Of how it is stored: a state of an earlier form is made one of this form when it is read. */
    public const FORM = 4;

    /** Columns that say nothing of what the series is: they come about by themselves, or count its changes. */
    private const BESIDE = ['version' => true, 'indexed' => true, 'live_uid' => true];

    /**
     * @param  Rows  $rows  of events: the head first
     * @param  Rows  $categories
     * @param  Rows  $participants
     * @param  Rows  $attachments
     * @param  Rows  $tasks
     * @param  Rows  $pins
     */
    public function __construct(public array $rows, public array $categories = [], public array $participants = [], public array $attachments = [], public array $tasks = [], public array $pins = [])
    {
    }

    /** Whether two states are the same, whatever their versions, where they are pinned, and what was answered. */
    public static function same(?self $a, ?self $b): bool
    {
        return $a?->plain() === $b?->plain();
    }

    /** Whether nothing at all is different. */
    public static function identical(?self $a, ?self $b): bool
    {
        return ($a === null ? null : get_object_vars($a)) === ($b === null ? null : get_object_vars($b));
    }

    public function calendarId(): int
    {
        return (int) $this->rows[0]['calendar_id'];
    }

    public function uid(): string
    {
        return (string) $this->rows[0]['uid'];
    }

    public function title(): string
    {
        return (string) $this->rows[0]['title'];
    }

    public function version(): int
    {
        return (int) $this->rows[0]['version'];
    }

    public function isDeleted(): bool
    {
        return $this->rows[0]['deleted_at'] !== null;
    }

    public function authorId(): ?int
    {
        return $this->rows[0]['created_by'];
    }

    /** @return list<int> where it shows: its own calendar, and those that it is pinned to; none while it is deleted */
    public function calendarIds(): array
    {
        return $this->isDeleted() ? [] : array_values(array_unique([$this->calendarId(), ...array_map(intval(...), array_column($this->pins, 'calendar_id'))]));
    }

    /** What of it the occurrence index is made of: where it shows, and when each of its events is. */
    public function indexKey(): string
    {
        $timing = array_flip(['id', 'calendar_id', 'recurrence_id', 'and_following', 'time_kind', 'starts_local', 'ends_local', 'timezone', 'duration', 'recurrence', 'deleted_at']);

        return (string) json_encode([array_map(static fn (array $row): array => array_intersect_key($row, $timing), $this->rows), $this->calendarIds()]);
    }

    public function stored(): string
    {
        return json_encode(['form' => self::FORM, 'rows' => array_map(static fn (array $row): array => array_diff_key($row, ['live_uid' => true]), $this->rows)] + get_object_vars($this), JSON_THROW_ON_ERROR);
    }

    public static function ofStored(?string $json): ?self
    {
        if ($json === null) {
            return null;
        }
        $stored = StoredForms::convert(json_decode($json, true, flags: JSON_THROW_ON_ERROR));

        return new self($stored['rows'], $stored['categories'], $stored['participants'], $stored['attachments'], $stored['tasks'], $stored['pins']);
    }

    private function plain(): string
    {
        return (string) json_encode([
            array_map(static fn (array $row): array => array_diff_key($row, self::BESIDE), $this->rows), $this->categories,
            array_map(static fn (array $row): array => array_diff_key($row, ['id' => true, 'answer' => true, 'note' => true]), array_values(array_filter($this->participants, static fn (array $row): bool => $row['member_of'] === null))), $this->attachments, $this->tasks,
        ]);
    }
}
