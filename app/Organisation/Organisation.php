<?php

namespace App\Organisation;

use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Organisation\OrganisationSettings;

/** What the organisation decides: read at most once a request, and written down whenever it is changed. */
final class Organisation
{
    private const ROW = 1;

    /** What of it every sheet shows. */
    private const SEEN_ON_SHEETS = ['schoolYear', 'closures', 'firstMonth'];

    private ?OrganisationSettings $settings = null;

    public function settings(): OrganisationSettings
    {
        return $this->settings ??= OrganisationSettings::fromArray($this->row()['settings']);
    }

    /** @return string the name of the zone that new people and calendars are in */
    public function timezone(): string
    {
        return $this->settings()->timezone->name ?? (string) config('rota.timezone');
    }

    public function version(): int
    {
        return $this->row()['version'];
    }

    /**
     * Decides some of it anew; the rest stays.
     *
     * @param  array<string, mixed>  $changes  by name, as OrganisationSettings::toArray tells them
     */
    public function put(array $changes, Person $by): void
    {
        DB::transaction(function () use ($changes, $by): void {
            $row = $this->row(lock: true);
            $before = OrganisationSettings::fromArray($row['settings'])->toArray();
            $after = OrganisationSettings::fromArray($changes + $before)->toArray();
            $changed = array_filter($after, static fn (mixed $value, string $name): bool => $value !== $before[$name], ARRAY_FILTER_USE_BOTH);
            if ($changed !== []) {
                DB::table('organisation_settings')->updateOrInsert(['id' => self::ROW], ['settings' => json_encode($after), 'version' => $row['version'] + 1]);
                if (array_intersect_key($changed, array_flip(self::SEEN_ON_SHEETS)) !== []) {
                    Change::ofLists();
                    $this->settings = null;
                    event(new SchoolYearChanged);
                }
                ChangeLog::organisation($by, array_intersect_key($before, $changed), $changed);
            }
        });
        $this->settings = null;
    }

    /** @return array{settings: array<string, mixed>, version: int} */
    private function row(bool $lock = false): array
    {
        $row = DB::table('organisation_settings')->when($lock, static fn ($query) => $query->lockForUpdate())->where('id', self::ROW)->first();

        return ['settings' => $row === null ? [] : (array) json_decode($row->settings, true), 'version' => (int) ($row->version ?? 0)];
    }
}
