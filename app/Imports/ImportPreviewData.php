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
    ) {
    }
}
