<?php

namespace App\Calendars;

use App\Sources\Source;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/**
 * @property int $id
 * @property string $slug
 * @property string $name
 * @property string $description
 * @property Colour $colour
 * @property Mark $mark
 * @property string $timezone
 * @property SubjectKind $keeper_kind
 * @property int $keeper_id
 * @property ?string $first_day of the week, MO to SU; null as the reader has it
 * @property ?string $opening_view
 * @property bool $free_categories whether who adds events may add categories, too
 * @property bool $offered whether it is on the list of everyone who may read it
 * @property ?string $suggested_pace how those who manage it would have others told of changes: a word to who follows it, which binds nobody
 * @property bool $asks_provisional whether its provisional events ask those who are to take part, unless they say otherwise
 * @property bool $remarks whether those who see its events may remark on them
 * @property ?int $own_of  the person whose own it is, from the first day on
 * @property ?Carbon $archived_at
 * @property int $version
 * @property int $revision
 * @property Carbon $revised_at
 * @property ?Source $source
 */
final class Calendar extends Model
{
    use SoftDeletes;

    protected $guarded = [];

    protected $attributes = ['description' => '', 'first_day' => null, 'opening_view' => null, 'free_categories' => true, 'offered' => true, 'suggested_pace' => null, 'asks_provisional' => false, 'remarks' => false, 'own_of' => null, 'archived_at' => null, 'version' => 1];

    /** @return HasOne<Source, $this> */
    public function source(): HasOne
    {
        return $this->hasOne(Source::class);
    }

    /** @return HasMany<Category, $this> */
    public function categories(): HasMany
    {
        return $this->hasMany(Category::class);
    }

    public function keeper(): Subject
    {
        return new Subject($this->keeper_kind, $this->keeper_id);
    }

    /** From when on its events ask those who are to take part, unless they say otherwise. */
    public function askWhen(): AskWhen
    {
        return $this->asks_provisional ? AskWhen::Provisional : AskWhen::Confirmed;
    }

    public function isArchived(): bool
    {
        return $this->archived_at !== null;
    }

    /** Whether its events come from an outside address. The source must be loaded. */
    public function isSubscribed(): bool
    {
        return $this->source !== null;
    }

    /** A name for addresses: readable, and not to be guessed from the calendar's name. */
    public static function newSlug(string $name): string
    {
        return trim(Str::limit(Str::slug($name), 60, '').'-'.Str::lower(Str::random(8)), '-');
    }

    protected function casts(): array
    {
        return [
            'colour' => Colour::class,
            'mark' => Mark::class,
            'keeper_kind' => SubjectKind::class,
            'keeper_id' => 'integer',
            'free_categories' => 'boolean',
            'offered' => 'boolean',
            'asks_provisional' => 'boolean',
            'remarks' => 'boolean',
            'archived_at' => 'datetime',
            'own_of' => 'integer',
            'revision' => 'integer',
            'revised_at' => 'datetime',
        ];
    }
}
