<?php

namespace App\Remarks;

use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Write\SeriesStates;
use App\Following\Follow;
use App\Following\FollowedKind;
use App\Following\Followers;
use App\Following\TellAtOnce;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\NoticeTime;
use PinnedRota\Core\Notices\NoticeWords;
use PinnedRota\Core\Notices\Pace;

/** Has those told of a remark who take part in its event, ask others to it, or have remarked on it: but for whoever remarked, and who wants to hear of none. */
final class TellRemark implements ShouldQueue
{
    use Queueable;

    public function __construct(private readonly int $remarkId)
    {
        $this->afterCommit();
    }

    public function handle(SeriesStates $states, Followers $followers, TellAtOnce $tell): void
    {
        $remark = Remark::query()->with('person')->find($this->remarkId);
        $head = $remark === null ? null : EventRecord::query()->with(EventRecord::WHOLE)->find($remark->event_id);
        $state = $head === null ? null : $states->of($head->id);
        if ($remark === null || $head === null || $state === null || $head->loadMissing('calendar')->calendar?->remarks !== true) {
            return;
        }
        $people = [...$followers->involved([$state]), ...Remark::query()->where('event_id', $head->id)->whereNotNull('person_id')->distinct()->pluck('person_id')->map(intval(...))->all()];
        $muted = DB::table('event_remark_mutes')->where('event_id', $head->id)->pluck('person_id')->all();
        $people = array_values(array_diff($people, $muted, [$remark->person_id]));
        $follows = Follow::query()->where('kind', FollowedKind::Mine)->whereIntegerInRaw('person_id', $people)->get()->keyBy('person_id');
        $by = $remark->person->name ?? '';
        $text = $remark->text;
        // All of it or nothing: where a worker is ended in between, another begins again.
        DB::transaction(static fn () => $tell->tell(
            $head, $remark->recurrence_id, $people,
            static fn (NoticeWords $words, NoticeTime $time): string => $words->remark($time, $by, $text),
            static function (Person $person) use ($follows): array {
                $follow = $follows[$person->id] ?? Follow::mine($person->id);

                return [$follow->pace !== Pace::Off && $follow->in_inbox, $follow->pace === Pace::Now && $follow->by_mail];
            },
            ['remark' => $remark->id],
        ));
    }
}
