<?php

namespace App\Imports;

use PinnedRota\Core\Documents\DocumentKind;

/** Something that was brought in: what, when, by whom, and what became of it. */
final readonly class ImportData
{
    /**
     * @param  ?int  $operation  By which whoever asks takes it back or does it again; null where it is not theirs, or too long ago
     * @param  bool  $undone  Whether it is taken back
     * @param  bool  $hasFile  Whether the file can be had again
     */
    public function __construct(
        public int $id,
        public string $fileName,
        public DocumentKind $kind,
        public string $at,
        public string $by,
        public ImportCountsData $counts,
        public ?int $operation,
        public bool $undone,
        public bool $hasFile,
    ) {
    }

    /** @param  int  $viewer  the id of whoever asks */
    public static function of(Import $import, int $viewer): self
    {
        return new self(
            $import->id,
            $import->file_name,
            DocumentKind::from($import->kind),
            (string) $import->applied_at?->toIso8601ZuluString(),
            $import->person->name ?? 'Somebody who has left',
            ImportCountsData::of($import->counts ?? ['added' => 0, 'changed' => 0, 'unchanged' => 0]),
            operation: $import->created_by === $viewer ? $import->operation_id : null,
            undone: $import->operation?->undone_at !== null,
            hasFile: $import->path !== null,
        );
    }
}
