<?php

namespace Tests\Support;

use App\Api\Description;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use RuntimeException;

/** Holds answers of the API against its description: nothing may be in an answer that is not told of there, nor lack. */
final class Described
{
    private static ?self $instance = null;

    /** @var array<string, mixed> */
    private readonly array $description;

    private readonly Validator $validator;

    private function __construct()
    {
        $this->description = json_decode((new Description)->json(), true, flags: JSON_THROW_ON_ERROR);
        $this->validator = new Validator(max_errors: 5);
        $schemas = array_map(self::schema(...), $this->description['components']['schemas']);
        $this->validator->resolver()?->registerRaw(json_decode(json_encode(['$id' => 'https://rota.invalid/description', '$defs' => $schemas], JSON_THROW_ON_ERROR)));
    }

    public static function instance(): self
    {
        return self::$instance ??= new self;
    }

    /**
     * What is wrong with an answer.
     *
     * @param  string  $route  as the description has it: `/events/{id}`
     * @return ?string null where it is as it is described
     */
    public function problem(string $method, string $route, int $status, string $contents): ?string
    {
        $operation = $this->description['paths'][$route][strtolower($method)] ?? throw new RuntimeException("{$method} {$route} is not described.");
        $response = $operation['responses'][(string) $status] ?? ($status >= 400 ? $operation['responses']['default'] ?? null : null);
        if ($response === null) {
            return "{$method} {$route} is answered {$status}, which is not described";
        }
        if (isset($response['$ref'])) {
            $response = $this->description['components']['responses'][basename($response['$ref'])];
        }
        $schema = current($response['content'] ?? [])['schema'] ?? null;
        if ($schema === null) {
            return $contents === '' ? null : "{$method} {$route} ({$status}) is described without contents and has some";
        }
        $result = $this->validator->validate(json_decode($contents), json_decode(json_encode(self::schema($schema), JSON_THROW_ON_ERROR)));

        return $result->isValid() ? null : "{$method} {$route} ({$status}): ".json_encode((new ErrorFormatter)->format($result->error()), JSON_UNESCAPED_SLASHES);
    }

    /**
     * A schema of OpenAPI 3.0 as one of JSON Schema, strict: an object has what it is described with, and nothing else.
     *
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private static function schema(array $schema): array
    {
        if (isset($schema['$ref'])) {
            return ['$ref' => 'https://rota.invalid/description#/$defs/'.basename($schema['$ref'])];
        }
        $nullable = $schema['nullable'] ?? false;
        $made = array_intersect_key($schema, array_flip(['type', 'enum', 'required']));
        if (isset($schema['properties'])) {
            $made['properties'] = array_map(self::schema(...), $schema['properties']);
            $made['additionalProperties'] = false;
        } elseif (isset($schema['additionalProperties']) && is_array($schema['additionalProperties'])) {
            $made['additionalProperties'] = self::schema($schema['additionalProperties']);
        }
        if (isset($schema['items'])) {
            $made['items'] = self::schema($schema['items']);
        }
        foreach (['allOf', 'oneOf', 'anyOf'] as $of) {
            if (isset($schema[$of])) {
                $made[$of] = array_map(self::schema(...), $schema[$of]);
            }
        }
        if (isset($made['enum']) && $nullable) {
            $made['enum'][] = null;
        }

        if ($made === []) {
            $made = ['$comment' => 'whatever it is'];
        }

        return $nullable ? ['anyOf' => [['type' => 'null'], $made]] : $made;
    }
}
