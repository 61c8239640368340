<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What the columns of a table were taken for, with some of what is in them. */
final readonly class ReadTable
{
    /** So much of what is in a column shows what it is. */
    private const SAMPLES = 3;

    /** @param  list<ReadColumn>  $columns */
    private function __construct(public string $shape, public array $columns)
    {
    }

    public static function of(Columns $columns, Block $table): self
    {
        $width = $table->rows === [] ? 0 : max(array_map(count(...), $table->rows));
        $below = array_slice($table->rows, $columns->head + 1);
        $read = [];
        for ($column = 0; $column < $width; $column++) {
            $read[] = new ReadColumn($column, $columns->names[$column] ?? '', $columns->roles[$column] ?? null, in_array($column, $columns->keys, true), self::samples($below, $column));
        }

        return new self(Columns::shape($columns->names), $read);
    }

    /**
     * @param  list<list<string>>  $rows
     * @return list<string>
     */
    private static function samples(array $rows, int $column): array
    {
        $samples = [];
        foreach ($rows as $row) {
            $said = $row[$column] ?? '';
            if ($said !== '' && ! in_array($said, $samples, true)) {
                $samples[] = $said;
            }
            if (count($samples) === self::SAMPLES) {
                break;
            }
        }

        return $samples;
    }
}
