<?php

namespace App\Api;

/** What kind of thing a schema of the description is, in words, with the names that are explained elsewhere on the page. */
final class ApiType
{
    private const PLAIN = ['string' => 'text', 'integer' => 'number', 'number' => 'number', 'boolean' => 'true or false', 'object' => 'object'];

    /**
     * @param  array<string, mixed>  $schema
     * @return list<array{text: string, schema: ?string}> pieces in order; one that names a schema leads to it
     */
    public static function of(array $schema): array
    {
        $pieces = match (true) {
            isset($schema['$ref']) => [['text' => basename($schema['$ref']), 'schema' => basename($schema['$ref'])]],
            isset($schema['allOf']) => self::joined($schema['allOf'], ' and '),
            isset($schema['enum']) => [self::text('one of '.implode(', ', array_map(static fn (mixed $each): string => "“{$each}”", $schema['enum'])))],
            ($schema['type'] ?? null) === 'array' => [self::text('list of '), ...self::of($schema['items'] ?? [])],
            isset($schema['additionalProperties']) && is_array($schema['additionalProperties']) => [self::text('by name: '), ...self::of($schema['additionalProperties'])],
            isset($schema['properties']) => self::object($schema),
            default => [self::text((self::PLAIN[$schema['type'] ?? ''] ?? 'anything').match ($schema['format'] ?? '') {
                'date' => ' (a date, 2026-11-02)',
                'binary' => ' (a file)',
                'uuid' => ' (a UUID)',
                default => '',
            })],
        };

        return ($schema['nullable'] ?? false) === true ? [...$pieces, self::text(', or null')] : $pieces;
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return list<array{text: string, schema: ?string}>
     */
    private static function object(array $schema): array
    {
        $pieces = [self::text('object with ')];
        foreach (array_keys($schema['properties']) as $index => $name) {
            array_push($pieces, self::text(($index === 0 ? '' : '; ')."{$name}: "), ...self::of($schema['properties'][$name]));
        }

        return $pieces;
    }

    /**
     * @param  list<array<string, mixed>>  $schemas
     * @return list<array{text: string, schema: ?string}>
     */
    private static function joined(array $schemas, string $by): array
    {
        $pieces = [];
        foreach ($schemas as $index => $schema) {
            array_push($pieces, ...($index === 0 ? [] : [self::text($by)]), ...self::of($schema));
        }

        return $pieces;
    }

    /** @return array{text: string, schema: null} */
    private static function text(string $text): array
    {
        return ['text' => $text, 'schema' => null];
    }
}
