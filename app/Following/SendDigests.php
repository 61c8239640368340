<?php

namespace App\Following;

use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\DigestMoment;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Puts digests together whose moment has come: each once on its day, also where several look at once. */
final class SendDigests
{
    public function __construct(private readonly Outbox $outbox, private readonly NoticeLines $lines)
    {
    }

    /** @return int how many */
    public function run(): int
    {
        $upTo = (int) DB::table('notice_batches')->max('id');
        $due = [];
        foreach (Digest::query()->with('person')->whereRelation('person', 'status', 'active')->orderBy('id')->get() as $digest) {
            $day = self::due($digest);
            if ($day !== null) {
                $due["{$digest->pace->value} {$digest->last_batch}"][] = [$digest, LocalDateTime::midnight($day)->toDate()];
            }
        }
        $count = 0;
        foreach ($due as $some) {
            $count += $this->together($some, $upTo);
        }

        return $count;
    }

    private static function due(Digest $digest): ?int
    {
        $last = $digest->last_on === null ? null : LocalDateTime::parse($digest->last_on->toDateString())->day();

        return DigestMoment::due(now()->getTimestamp(), Zone::of($digest->person->timezone), $digest->hour, $digest->pace === Pace::Weekly ? $digest->weekday : null, $last);
    }

    /**
     * Of one pace, whose last was of the same batch: what became of a series is reckoned once for them.
     *
     * @param  non-empty-list<array{Digest, string}>  $some  each with its day
     */
    private function together(array $some, int $upTo): int
    {
        [$pace, $after] = [$some[0][0]->pace, $some[0][0]->last_batch];
        $followers = app(Followers::class);
        $people = $followers->of(array_map(static fn (array $each): int => $each[0]->person_id, $some));
        $reckoned = $upTo > $after ? app(ReckonNotices::class)->within($after, $upTo, $pace, $followers, $people) : [];
        $count = 0;
        foreach ($some as [$digest, $day]) {
            $count += $this->put($digest, $day, $reckoned[$digest->person_id] ?? null, $upTo) ? 1 : 0;
        }

        return $count;
    }

    private function put(Digest $digest, string $day, ?Reckoned $reckoned, int $upTo): bool
    {
        return DB::transaction(function () use ($digest, $day, $reckoned, $upTo): bool {
            $isMine = Digest::query()->whereKey($digest->id)->where(static fn ($before) => $before->whereNull('last_on')->orWhere('last_on', '<', $day))->update(['last_on' => $day, 'last_batch' => max($upTo, $digest->last_batch)]);
            if ($isMine !== 1) {
                return false;
            }
            $lines = $reckoned === null ? [] : $this->lines->of($reckoned, $digest->person->timezone);
            $notice = $lines === [] ? null : Notice::query()->create(['person_id' => $digest->person_id, 'batch_id' => $upTo, 'pace' => $digest->pace, 'lines' => $lines, 'in_inbox' => in_array(true, array_column($lines, 'inbox'), true)]);
            if ($reckoned !== null) {
                Parted::follow($digest->person_id, $reckoned);
            }
            if ($digest->by_mail) {
                $this->outbox->put(LetterKind::Digest, [[
                    'slot' => null, 'address' => mb_strtolower($digest->person->email), 'person_id' => $digest->person_id, 'about' => ['notice' => $notice?->id, 'pace' => $digest->pace->value, 'day' => $day],
                ]], now());
            }

            return true;
        });
    }

    /** @return int UTC seconds at which the next comes */
    public static function next(Digest $digest): int
    {
        return DigestMoment::next(now()->getTimestamp(), Zone::of($digest->person->timezone), $digest->hour, $digest->pace === Pace::Weekly ? $digest->weekday : null);
    }
}
