<?php

namespace App\Bulk;

use App\History\FieldChangeData;

/** What a change of many makes of one event. */
final readonly class BulkPreviewRowData
{
    /**
     * @param  'change'|'nothing'|'copy'|'delete'|'refused'  $what
     * @param  list<FieldChangeData>  $changes
     * @param  list<string>  $newCategories  Those that there are not yet, and that have to be confirmed
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $what,
        public ?string $refused,
        public array $changes,
        public array $newCategories,
    ) {
    }
}
