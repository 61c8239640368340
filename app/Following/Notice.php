<?php

namespace App\Following;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Notices\Pace;

/**
 * What somebody is told of what changed: as it happened, or since their last digest.
 *
 * @property int $id
 * @property int $person_id
 * @property int $batch_id the last batch that is in it
 * @property Pace $pace
 * @property list<array{words: string, change: string, calendar: int, series: list<int>, times: list<string>, on: ?string, names: bool, inbox: bool, mail: bool, was: ?array{int, bool}, remark?: int}> $lines as they were reckoned; what is told of them see NoticeLines
 * @property bool $in_inbox
 * @property ?Carbon $read_at
 * @property Carbon $created_at
 * @property Person $person
 */
final class Notice extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    protected function casts(): array
    {
        return ['pace' => Pace::class, 'lines' => 'array', 'in_inbox' => 'boolean', 'read_at' => 'datetime'];
    }
}
