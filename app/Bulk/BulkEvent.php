<?php

namespace App\Bulk;

use InvalidArgumentException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\SeriesTimes;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;

/** One event of a change of many: in which version it was seen, and its cells as they are typed. */
#[OA\Schema(schema: 'BulkEvent', required: ['id', 'version'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'cells', description: 'Texts by column ('.BulkInput::COLUMNS[0].', …), as they are typed', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
    new OA\Property(property: 'occurrence', description: 'Of a series: the time that its cell “when” tells', type: 'string', nullable: true),
    new OA\Property(property: 'times', description: 'Which times that cell means; all where nothing is said', type: 'string', enum: SeriesTimes::class),
])]
final readonly class BulkEvent
{
    /** @param  array<string, string>  $cells  texts by column */
    private function __construct(public int $id, public int $version, public array $cells, public ?EventTime $occurrence, public SeriesTimes $times)
    {
    }

    /** @throws InvalidArgumentException with the field as its message where it cannot be read */
    public static function read(mixed $told): self
    {
        $whole = static fn (mixed $value): ?int => filter_var($value, FILTER_VALIDATE_INT, FILTER_NULL_ON_FAILURE);
        $string = static fn (mixed $value): string => is_string($value) ? $value : '';
        $told = is_array($told) ? $told : [];
        $cells = $told['cells'] ?? [];
        if (! is_array($cells) || array_diff(array_keys($cells), BulkInput::COLUMNS) !== []) {
            throw new InvalidArgumentException('cells');
        }
        foreach ($cells as $column => $text) {
            if ($text !== null && (! is_string($text) || mb_strlen($text) > 1000)) {
                throw new InvalidArgumentException("cells.{$column}");
            }
        }
        try {
            $occurrence = isset($told['occurrence']) ? RecurrenceId::parse($string($told['occurrence'])) : null;
        } catch (InvalidTime) {
            throw new InvalidArgumentException('occurrence');
        }

        return new self(
            $whole($told['id'] ?? null) ?? throw new InvalidArgumentException('id'),
            $whole($told['version'] ?? null) ?? throw new InvalidArgumentException('version'),
            array_map(static fn (?string $text): string => trim((string) $text), $cells),
            $occurrence,
            isset($told['times']) ? SeriesTimes::tryFrom($string($told['times'])) ?? throw new InvalidArgumentException('times') : SeriesTimes::All,
        );
    }
}
