<?php

namespace App\Following;

use App\Directory\Person;
use App\Outbox\LetterKind;
use App\Outbox\OutboxLetter;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\Pace;

/**
 * That somebody wants a digest, when, and what was in the last.
 *
 * @property int $id
 * @property int $person_id
 * @property Pace $pace daily or weekly
 * @property int $hour on their clock
 * @property int $weekday 0 is Monday; of a weekly one
 * @property bool $by_mail
 * @property int $last_batch the last that was told
 * @property ?Carbon $last_on the day of the last
 * @property Person $person
 */
final class Digest extends Model
{
    protected $guarded = [];

    /** At which it comes where nobody has said. */
    private const HOUR = 7;

    protected $attributes = ['hour' => self::HOUR, 'weekday' => 0, 'by_mail' => true];

    /** Theirs, which is begun where there is none: what changed before is in none. */
    public static function of(Person $person, Pace $pace): self
    {
        return self::query()->firstOrCreate(['person_id' => $person->id, 'pace' => $pace], ['last_batch' => (int) DB::table('notice_batches')->max('id'), 'last_on' => self::before($person, self::HOUR)]);
    }

    /** Comes at another hour from now on: today still, where that is to come and none has come today. */
    public function moveTo(int $hour, int $weekday): void
    {
        $today = now($this->person->timezone)->startOfDay();
        $hasCome = OutboxLetter::query()->where('person_id', $this->person_id)->where('kind', LetterKind::Digest)->where('about->pace', $this->pace->value)->where('created_at', '>=', $today->utc())->exists();
        $this->update(['hour' => $hour, 'weekday' => $weekday] + ($hasCome ? [] : ['last_on' => self::before($this->person, $hour)]));
    }

    /** The day of the last that came, or would have. */
    private static function before(Person $person, int $hour): string
    {
        $now = now($person->timezone);

        return ($now->hour >= $hour ? $now : $now->subDay())->toDateString();
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    protected function casts(): array
    {
        return ['pace' => Pace::class, 'by_mail' => 'boolean', 'last_on' => 'date:Y-m-d'];
    }
}
