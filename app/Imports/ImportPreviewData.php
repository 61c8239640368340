<?php

namespace App\Imports;

use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentKind;

/** What bringing a file in would do. */
final readonly class ImportPreviewData
{
    /**
     * @param  DocumentKind  $kind  What it is
     * @param  ?DateOrder  $order  Whether it writes the day or the month first in figures, as it tells or as was chosen; null of a calendar file
     * @param  list<ImportRowData>  $rows
     * @param  list<SkippedRowData>  $skipped  Rows of its tables that are no events, the first of them
     * @param  list<ImportProblemData>  $problems
     * @param  list<ImportColumnData>  $columns  Of its tables whose rows are events
     * @param  list<GoneEventData>  $gone  What came in by it before and is not in it any more, the first of them
     * @param  bool  $takesGone  Whether that is taken away
     */
    public function __construct(
        public int $id,
        public string $fileName,
        public DocumentKind $kind,
        public ?DateOrder $order,
        public ImportCountsData $counts,
        public array $rows,
        public array $problems,
        public int $problemCount,
        public array $skipped,
        public int $skippedCount,
        public array $columns,
        public array $gone,
        public int $goneCount,
        public bool $takesGone,
    ) {
    }
}
