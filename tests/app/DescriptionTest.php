<?php

use App\Api\ApiType;
use App\Api\DataSchema;
use App\Api\Description;
use App\Api\LeavesOutNull;
use App\Events\EventData;
use App\Overlays\SheetItemData;
use PinnedRota\Core\Access\Level;

final readonly class PartData
{
    public function __construct(public int $id)
    {
    }
}

/** All of it. */
final readonly class WholeData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  list<PartData>  $parts  In order
     * @param  'one'|'two'|null  $word
     * @param  PartData  $first  The first of them
     * @param  ?list<int>  $extra
     */
    public function __construct(
        public array $parts,
        public ?string $word,
        public PartData $first,
        public ?PartData $last,
        public Level $level,
        public bool $whole,
        public ?array $extra = null,
    ) {
    }
}

final readonly class WrongData
{
    public function __construct(public int|bool $either)
    {
    }
}

test('the schema of an answer is read from its constructor', function () {
    $ref = ['$ref' => '#/components/schemas/Part'];
    expect(DataSchema::name(WholeData::class))->toBe('Whole')->and(DataSchema::of(WholeData::class))->toBe([
        'description' => 'All of it.',
        'required' => ['parts', 'word', 'first', 'last', 'level', 'whole'],
        'type' => 'object',
        'properties' => [
            'parts' => ['description' => 'In order', 'type' => 'array', 'items' => $ref],
            'word' => ['type' => 'string', 'enum' => ['one', 'two'], 'nullable' => true],
            'first' => ['description' => 'The first of them', 'allOf' => [$ref]],
            'last' => ['nullable' => true, 'allOf' => [$ref]],
            'level' => ['type' => 'string', 'enum' => ['none', 'busy', 'see', 'add', 'change', 'manage']],
            'whole' => ['type' => 'boolean'],
            'extra' => ['type' => 'array', 'items' => ['type' => 'integer']],
        ],
    ]);
});

test('what has a default is left out where it is null, and nothing else is', function () {
    $part = new PartData(7);
    expect(json_decode((string) json_encode(new WholeData([$part], null, $part, null, Level::See, true)), true))
        ->toBe(['parts' => [['id' => 7]], 'word' => null, 'first' => ['id' => 7], 'last' => null, 'level' => 'see', 'whole' => true])
        ->and(json_decode((string) json_encode(new WholeData([], null, $part, null, Level::See, true, [])), true))->toHaveKey('extra', []);
});

test('what cannot be described is refused, with its name', function () {
    expect(fn () => DataSchema::of(WrongData::class))->toThrow(RuntimeException::class, 'WrongData::$either');
});

test('every answer that is referred to is described, and every one that is described is referred to', function () {
    $description = json_decode((new Description)->json(), true);
    preg_match_all('~#/components/schemas/(\w+)~', (string) json_encode($description, JSON_UNESCAPED_SLASHES), $found);
    $referred = array_unique($found[1]);
    $described = array_keys($description['components']['schemas']);
    // A conflict’s contents are whatever there is a conflict about.
    expect(array_diff($referred, $described))->toBe([])->and(array_values(array_diff($described, $referred, ['OutdatedEvent'])))->toBe([])
        ->and(array_keys($description['components']['schemas']['Event']['properties']))->toBe(array_map(static fn ($each) => $each->name, (new ReflectionMethod(EventData::class, '__construct'))->getParameters()))
        ->and($description['components']['schemas']['SheetItem']['required'])->not->toContain('pinned')->and(DataSchema::name(SheetItemData::class))->toBe('SheetItem');
});

test('the page of the API tells people each operation and each answer, and leads from one to the other', function () {
    $page = $this->get('/api')->assertOk()->getContent();
    $description = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true);
    foreach ($description['paths'] as $path => $operations) {
        foreach ($operations as $operation) {
            expect($page)->toContain('id="'.$operation['operationId'].'"')->toContain(e($operation['summary']));
        }
        expect($page)->toContain("</span>{$path}</h3>");
    }
    preg_match_all('/href="#([\w-]+)"/', $page, $links);
    preg_match_all('/id="([\w-]+)"/', $page, $ids);
    expect(array_values(array_diff(array_unique($links[1]), $ids[1])))->toBe([])
        ->and(array_values(array_diff(array_keys($description['components']['schemas']), $ids[1])))->toBe([])
        ->and(array_unique(array_count_values($ids[1])))->toBe([reset($ids[1]) => 1]);
    // Nothing of it comes from elsewhere.
    expect(preg_match('~(src|href)="(https?:)?//(?!localhost)~', $page))->toBe(0)->and($page)->not->toContain('<script');
});

test('what a schema is, is told in words', function () {
    $words = static fn (array $schema): string => implode('', array_column(ApiType::of($schema), 'text'));
    expect($words(['type' => 'array', 'items' => ['$ref' => '#/components/schemas/Event']]))->toBe('list of Event')
        ->and($words(['nullable' => true, 'allOf' => [['$ref' => '#/components/schemas/Event']]]))->toBe('Event, or null')
        ->and($words(['type' => 'string', 'enum' => ['a', 'b']]))->toBe('one of “a”, “b”')
        ->and($words(['type' => 'object', 'properties' => ['id' => ['type' => 'integer'], 'at' => ['type' => 'string', 'format' => 'date']]]))->toBe('object with id: number; at: text (a date, 2026-11-02)')
        ->and($words(['type' => 'object', 'additionalProperties' => ['type' => 'string']]))->toBe('by name: text')
        ->and($words([]))->toBe('anything')
        ->and(ApiType::of(['$ref' => '#/components/schemas/Pin']))->toBe([['text' => 'Pin', 'schema' => 'Pin']]);
});
