<?php

namespace App\Api;

use Illuminate\Contracts\View\View;

/** The description of the API, for people: what can be asked for and what is answered, from the same file that programs read. */
final class ApiPageController
{
    public function __invoke(): View
    {
        $description = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true, flags: JSON_THROW_ON_ERROR);
        $groups = [];
        foreach ($description['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                $groups[$operation['tags'][0] ?? 'other'][] = $this->operation(strtoupper($method), $path, $operation);
            }
        }
        ksort($groups);
        $schemas = $description['components']['schemas'];
        ksort($schemas);

        return view('api', ['about' => $description['info']['description'], 'base' => $description['servers'][0]['url'], 'groups' => $groups, 'schemas' => array_map($this->schema(...), $schemas)]);
    }

    /**
     * @param  array<string, mixed>  $operation
     * @return array<string, mixed>
     */
    private function operation(string $method, string $path, array $operation): array
    {
        $body = current($operation['requestBody']['content'] ?? [])['schema'] ?? null;
        $answers = [];
        foreach ($operation['responses'] as $status => $response) {
            if ($status !== 'default' && $status < 300) {
                $schema = current($response['content'] ?? [])['schema'] ?? null;
                $answers[] = ['status' => $status, 'about' => $response['description'], 'type' => $schema === null ? [] : ApiType::of($schema)];
            }
        }

        return [
            'method' => $method, 'path' => $path, 'name' => $operation['operationId'], 'about' => $operation['summary'],
            'parameters' => array_map(static fn (array $each): array => [
                'name' => $each['name'], 'in' => $each['in'], 'required' => $each['required'] ?? false, 'about' => $each['description'] ?? '', 'type' => ApiType::of($each['schema'] ?? []),
            ], $operation['parameters'] ?? []),
            'body' => $body === null ? [] : ApiType::of($body),
            'answers' => $answers,
        ];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array{about: string, of: list<array{text: string, schema: ?string}>, properties: list<array<string, mixed>>}
     */
    private function schema(array $schema): array
    {
        $properties = [];
        foreach ($schema['properties'] ?? [] as $name => $property) {
            $properties[] = ['name' => $name, 'required' => in_array($name, $schema['required'] ?? [], true), 'about' => $property['description'] ?? '', 'type' => ApiType::of($property)];
        }

        return ['about' => $schema['description'] ?? '', 'of' => $properties === [] ? ApiType::of($schema) : [], 'properties' => $properties];
    }
}
