<?php

namespace App\Sources;

use App\Overlays\ConditionData;

/** What is taken of a source, and as what. */
final readonly class SourceTermsData
{
    /**
     * @param  bool  $follow  Of a page: whether those it leads to are read, too
     * @param  'day'|'month'|null  $order  What comes first in its figures; null: as it tells
     * @param  list<ConditionData>  $conditions
     * @param  ?bool  $busy  Null: as each says
     * @param  list<string>  $categories  That all of them are given besides
     * @param  list<RenamedCategoryData>  $renamed
     */
    public function __construct(
        public bool $follow,
        public ?string $order,
        public array $conditions,
        public ?bool $busy,
        public array $categories,
        public array $renamed,
    ) {
    }

    /** @param  array<string, mixed>  $terms  as they are kept */
    public static function of(array $terms): self
    {
        return new self(
            $terms['follow'] ?? false, $terms['order'] ?? null, ConditionData::many($terms['conditions'] ?? []), $terms['busy'] ?? null, $terms['categories'] ?? [],
            array_map(static fn (array $each): RenamedCategoryData => new RenamedCategoryData($each['from'], $each['to']), $terms['renamed'] ?? []),
        );
    }
}
