<?php

namespace App\Upkeep;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Jobs\BackgroundJob;
use App\Sources\Source;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\IpUtils;

/** Figures for monitoring, as text that Prometheus and others read; for the addresses that may have them (ROTA_METRICS_FROM). */
final class MetricsController
{
    public function __invoke(Request $request, Heartbeats $heartbeats): Response
    {
        abort_unless(IpUtils::checkIp((string) $request->ip(), (array) config('rota.metrics.from')), 404);
        $text = '';
        foreach ($this->figures($heartbeats) as $name => [$about, $values]) {
            $text .= "# HELP rota_{$name} {$about}\n# TYPE rota_{$name} gauge\n";
            foreach ($values as $labels => $value) {
                $text .= "rota_{$name}".($labels === '' ? '' : "{{$labels}}")." {$value}\n";
            }
        }

        return new Response($text, headers: ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8']);
    }

    /** @return array<string, array{string, array<string, int|float>}> by name: what it is, and its values by their labels */
    private function figures(Heartbeats $heartbeats): array
    {
        $ages = [];
        foreach ($heartbeats->all() as $part => $beat) {
            $ages["part=\"{$part}\""] = $beat === null ? -1 : now()->getTimestamp() - $beat->getTimestamp();
        }
        $by = static fn (string $label, iterable $counts): array => collect($counts)->mapWithKeys(static fn (mixed $count, string $name): array => ["{$label}=\"{$name}\"" => (int) $count])->all();

        return [
            'heartbeat_age_seconds' => ['Since what runs by itself was last seen at work; -1: never.', $ages],
            'queued_jobs' => ['What waits to be done.', $by('queue', ['default' => 0, 'work' => 0, 'fetch' => 0, ...DB::table('jobs')->selectRaw('queue, COUNT(*) AS count')->groupBy('queue')->pluck('count', 'queue')])],
            'failed_jobs' => ['What failed for good, and is kept.', ['' => DB::table('failed_jobs')->count()]],
            'long_work' => ['Imports and the like, by how they are.', $by('state', BackgroundJob::query()->toBase()->selectRaw('state, COUNT(*) AS count')->groupBy('state')->pluck('count', 'state'))],
            'people' => ['Who may sign in.', ['' => Person::query()->where('status', 'active')->count()]],
            'calendars' => ['Calendars that are there.', ['' => Calendar::query()->count()]],
            'sources_failing' => ['Sources whose last refresh failed.', ['' => Source::query()->where('failures', '>', 0)->count()]],
            'disk_free_bytes' => ['Room where files are kept.', ['' => Disk::free()]],
        ];
    }
}
