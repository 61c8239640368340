<?php

namespace App\Upkeep;

use App\Directory\Person;
use App\Letters\Letter;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;

/** Sees to it that somebody hears of it when what runs by itself stands still. */
final class Heartbeats
{
    /** In seconds: a worker that is at one job for longer is taken for one that stands still. */
    private const STILL = 900;

    /** In seconds, between two beats of one process. */
    private const PAUSE = 30;

    /** @var array<string, int> UTC seconds, by the part */
    private array $last = [];

    /** A part is at work: it says so now and then, and sees whether the others are. */
    public function look(Part $part): void
    {
        $now = now()->getTimestamp();
        if ($now - ($this->last[$part->value] ?? 0) >= self::PAUSE) {
            $this->last[$part->value] = $now;
            $this->beat($part);
            $this->tell();
        }
    }

    private function beat(Part $part): void
    {
        DB::table('heartbeats')->upsert(['part' => $part->value, 'beat_at' => now(), 'told_at' => null], ['part'], ['beat_at', 'told_at']);
    }

    /** @return array<string, ?Carbon> when each part was last seen at work, by its name; null where it never was */
    public function all(): array
    {
        $beats = DB::table('heartbeats')->pluck('beat_at', 'part');

        return array_combine(array_column(Part::cases(), 'value'), array_map(static fn (Part $part): ?Carbon => isset($beats[$part->value]) ? Carbon::parse($beats[$part->value], 'UTC') : null, Part::cases()));
    }

    /** @return list<StoppedData> */
    public function stopped(): array
    {
        $stopped = [];
        foreach ($this->all() as $name => $beat) {
            if ($beat === null || $beat->getTimestamp() < now()->getTimestamp() - self::STILL) {
                $stopped[] = StoppedData::of(Part::from($name), $beat);
            }
        }

        return $stopped;
    }

    /** Writes to the administrators, once for each time that something stands still: at once, as it may be the letters that do. */
    private function tell(): void
    {
        foreach ($this->stopped() as $stopped) {
            // Of all who notice it, one tells.
            if (DB::table('heartbeats')->where('part', $stopped->part)->whereNull('told_at')->update(['told_at' => now()]) === 0) {
                continue;
            }
            foreach (Person::query()->where('role', 'administrator')->where('status', 'active')->get() as $person) {
                Mail::to($person)->sendNow(new Letter($person, 'Something of Pinned Rota stands still', [
                    ($stopped->since === null ? 'Until now' : 'Since '.Carbon::parse($stopped->since)->timezone($person->timezone)->format('H:i \o\n j F'))." {$stopped->undone}.",
                    "Whoever looks after the server finds more with: systemctl status {$stopped->unit}",
                ], 'Open Pinned Rota', '/'));
            }
        }
    }
}
