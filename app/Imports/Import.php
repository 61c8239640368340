<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\History\Operation;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/**
 * A file that was looked at, and perhaps brought in.
 *
 * @property int $id
 * @property int $calendar_id
 * @property int $created_by
 * @property string $file_name
 * @property ?string $path in the storage, as long as it is kept
 * @property ?array{added: int, changed: int, unchanged: int} $counts what bringing it in would do, and then what it did
 * @property string $kind as DocumentKind has it
 * @property ?array{order?: string, edits?: list<array{row: int, title?: ?string, when?: ?string, place?: ?string, calendar?: ?string, leftOut?: bool}>, columns?: array<int, array<int, string>>, keys?: array<int, list<int>>, gone?: bool} $options what was chosen and put right
 * @property ?int $operation_id that it was, as long as that is kept
 * @property ?Carbon $created_at
 * @property ?Carbon $applied_at
 * @property Calendar $calendar
 * @property ?Operation $operation
 * @property ?Person $person
 */
final class Import extends Model
{
    protected $guarded = [];

    protected $attributes = ['path' => null, 'counts' => null, 'applied_at' => null, 'kind' => 'calendar', 'options' => null, 'operation_id' => null];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Person, $this> who brought it in */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'created_by');
    }

    /** @return BelongsTo<Operation, $this> */
    public function operation(): BelongsTo
    {
        return $this->belongsTo(Operation::class);
    }

    /** What it is called when it is had again. Of what office programs pack the page is kept as which it was opened. */
    public function downloadName(): string
    {
        return match (true) {
            preg_match('/\.(?:xlsx|xlsm|ods|docx|docm)$/i', $this->file_name) === 1 => "{$this->file_name}.html",
            ! str_contains($this->file_name, '.') => "{$this->file_name}.txt",
            default => $this->file_name,
        };
    }

    /** @throws ConflictHttpException where there is nothing left to bring in */
    public function demandFile(): void
    {
        if ($this->applied_at !== null || $this->path === null || ! Storage::exists($this->path)) {
            throw new ConflictHttpException('This file was brought in already, or looked at too long ago. Choose it again.');
        }
    }

    protected function casts(): array
    {
        return ['counts' => 'array', 'options' => 'array', 'applied_at' => 'datetime', 'created_by' => 'integer'];
    }
}
