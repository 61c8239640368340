<?php

namespace App\Upkeep;

/** What runs by itself beside the web server. */
enum Part: string
{
    case Schedule = 'schedule';
    case Letters = 'letters';
    case Work = 'work';
    case Fetching = 'fetching';

    /** @param  string  $queues  as a worker was started with: names with commas, the one that goes first first */
    public static function ofQueues(string $queues): self
    {
        return match (explode(',', $queues)[0]) {
            'work' => self::Work,
            'fetch-now', 'fetch' => self::Fetching,
            default => self::Letters,
        };
    }

    /** @return string what is not done while it stands still */
    public function undone(): string
    {
        return match ($this) {
            self::Schedule => 'sources are not refreshed, and nothing is tidied up',
            self::Letters => 'no letters go out',
            self::Work => 'imports, exports and large changes wait',
            self::Fetching => 'no addresses are read',
        };
    }

    /** @return string the unit of systemd that runs it */
    public function unit(): string
    {
        return config('rota.units').match ($this) {
            self::Schedule => '-schedule',
            self::Letters => '-letters',
            self::Work => '-work',
            self::Fetching => '-fetch@1',
        };
    }
}
