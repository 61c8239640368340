<?php

namespace App\Upkeep\Checks;

use App\Occurrences\OccurrenceHorizon;
use App\Upkeep\Check;
use App\Upkeep\Finding;
use App\Upkeep\Heartbeats;
use Illuminate\Support\Facades\DB;
use PDOException;

/** What runs by itself: the workers, the scheduler, and what the scheduler should have done. */
final class WorkersCheck implements Check
{
    /** In days, that the horizon may lag behind. */
    private const LAG = 3;

    public function __construct(private readonly Heartbeats $heartbeats)
    {
    }

    public function findings(): iterable
    {
        try {
            foreach ($this->heartbeats->stopped() as $stopped) {
                yield new Finding(($stopped->since === null ? 'Until now' : "Since {$stopped->since}")." {$stopped->undone}.", "systemctl status {$stopped->unit} says why; systemctl enable --now {$stopped->unit} begins it.");
            }
            $failed = DB::table('failed_jobs')->count();
            $horizon = OccurrenceHorizon::current()->to;
        } catch (PDOException) {
            // The database's check says so.
            return;
        }
        if ($failed > 0) {
            yield new Finding("{$failed} queued jobs have failed for good.", 'php artisan queue:failed lists them; queue:retry all does them again; queue:flush drops them.');
        }
        $lag = intdiv(OccurrenceHorizon::around(now()->getTimestamp())->to - $horizon, 86_400);
        if ($lag > self::LAG) {
            yield new Finding("The index of occurrences lags {$lag} days behind.", 'php artisan rota:roll-horizon; the scheduler does it each night.');
        }
    }
}
