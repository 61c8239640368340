<?php

namespace App\Imports;

/** What bringing a file in would do. */
final readonly class ImportPreviewData
{
    /**
     * @param  list<ImportRowData>  $rows
     * @param  list<ImportProblemData>  $problems
     */
    public function __construct(
        public int $id,
        public string $fileName,
        public ImportCountsData $counts,
        public array $rows,
        public array $problems,
        public int $problemCount,
    ) {
    }
}
