<?php

namespace Tests\Support;

use Generator;

/** Makes requests of an operation's description in which one thing each time is not as it is described. */
final class Unfit
{
    /** What may stand where something else belongs. */
    private const VALUES = [
        'nothing' => null, 'a list' => ['x'], 'an object' => ['a' => ['b' => 'c']], 'a number' => -1, 'a huge number' => '99999999999999999999', 'a fraction' => 1.5, 'yes' => true,
        'empty text' => '', 'odd text' => "\u{0}\u{202E}garbage'\"<>%00", 'long text' => '__LONG__', 'a far year' => '20261-01-01', 'no day' => '2026-02-30T25:61', 'a year beyond all' => '9999-12-31T23:59',
    ];

    /** @param  array<string, array<string, mixed>>  $schemas  of the description, by name */
    public function __construct(private readonly array $schemas)
    {
    }

    /**
     * @param  array<string, mixed>  $operation
     * @return Generator<array{string, array<string, string>, array<string, mixed>, ?array<mixed>}> what is unfit, the parts of the path, the query, and the body
     */
    public function requests(array $operation): Generator
    {
        $schema = current($operation['requestBody']['content'] ?? [])['schema'] ?? null;
        $body = $schema === null ? null : $this->fit($schema);
        $query = $path = [];
        foreach ($operation['parameters'] ?? [] as $parameter) {
            if ($parameter['in'] === 'query' && ($parameter['required'] ?? false)) {
                $query[rtrim($parameter['name'], '[]')] = $this->fit($parameter['schema'], $parameter['name']);
            }
        }
        yield ['what fits', $path, $query, is_array($body) ? $body : null];
        foreach ($operation['parameters'] ?? [] as $parameter) {
            $name = rtrim($parameter['name'], '[]');
            foreach (self::VALUES as $what => $value) {
                $value = $this->value($value);
                if ($parameter['in'] === 'query') {
                    yield ["{$what} as {$name}", $path, [$name => $value] + $query, is_array($body) ? $body : null];
                } elseif ($parameter['in'] === 'path' && is_scalar($value) && $value !== '') {
                    yield ["{$what} in the path", ["{{$name}}" => mb_substr(mb_scrub((string) $value), 0, 500)], $query, is_array($body) ? $body : null];
                }
            }
        }
        if (! is_array($body)) {
            return;
        }
        yield ['an empty body', $path, $query, []];
        foreach ($this->properties($schema) as $name => $property) {
            foreach (self::VALUES as $what => $value) {
                yield ["{$what} as {$name}", $path, $query, [$name => $this->value($value)] + $body];
                $inner = $this->resolved($property);
                if (($inner['type'] ?? null) === 'array') {
                    yield ["{$what} in {$name}", $path, $query, [$name => [$this->value($value)]] + $body];
                    foreach ($this->properties($inner['items'] ?? []) as $part => $ignored) {
                        yield ["{$what} as {$name}.0.{$part}", $path, $query, [$name => [[$part => $this->value($value)] + (array) $this->fit($inner['items'])]] + $body];
                    }
                }
                foreach ($this->properties($inner) as $part => $ignored) {
                    yield ["{$what} as {$name}.{$part}", $path, $query, [$name => [$part => $this->value($value)] + (array) $this->fit($inner)] + $body];
                }
            }
        }
    }

    private function value(mixed $value): mixed
    {
        return match ($value) {
            '__LONG__' => str_repeat('long ', 20_000),
            default => $value,
        };
    }

    /** Something that is as it is described. */
    private function fit(array $schema, string $name = ''): mixed
    {
        $schema = $this->resolved($schema);

        return match (true) {
            isset($schema['enum']) => $schema['enum'][0],
            isset($schema['properties']) => array_map(fn (array $each): mixed => $this->fit($each), array_intersect_key($schema['properties'], array_flip($schema['required'] ?? []))),
            ($schema['type'] ?? '') === 'array' => [],
            ($schema['type'] ?? '') === 'integer' => 1,
            ($schema['type'] ?? '') === 'boolean' => true,
            $name === 'tz' => 'Europe/London',
            $name === 'to' => '2026-11-30',
            ($schema['format'] ?? '') === 'date', in_array($name, ['from', 'start'], true) => '2026-11-02',
            default => 'text',
        };
    }

    /** @return array<string, array<string, mixed>> */
    private function properties(array $schema): array
    {
        return $this->resolved($schema)['properties'] ?? [];
    }

    /** @return array<string, mixed> with what it refers to in its place */
    private function resolved(array $schema): array
    {
        if (isset($schema['$ref'])) {
            return $this->resolved($this->schemas[basename($schema['$ref'])]);
        }
        foreach ($schema['allOf'] ?? [] as $part) {
            $other = $this->resolved($part);
            $schema['properties'] = ($schema['properties'] ?? []) + ($other['properties'] ?? []);
            $schema['required'] = array_values(array_unique([...$schema['required'] ?? [], ...$other['required'] ?? []]));
        }

        return $schema;
    }
}
