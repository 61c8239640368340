<?php

namespace App\Sources;

use App\Calendars\CalendarNameData;
use PinnedRota\Core\Documents\DocumentKind;

/** A calendar that comes from an outside address. */
final readonly class SourceData
{
    /** So many of the last refreshes are told. */
    public const HISTORY = 20;

    /**
     * @param  string  $url  To those who do not manage it just where it leads: an address may have a key in it
     * @param  int  $refreshMinutes  As was chosen
     * @param  int  $everyMinutes  After which it is fetched again: no sooner than the far side asks for
     * @param  ?string  $failingSince  Null while it does not fail
     * @param  bool  $declined  Whether what the far side has now is not wanted
     * @param  ?RefreshData  $held  What waits for the word of those who manage it
     * @param  'none'|'basic'|'token'  $signIn  How one signs in there
     * @param  string  $user  With which name
     * @param  ?string  $catalogue  Why it is worth having, where it is in the catalogue
     * @param  list<SourcePinData>  $pins  The calendars to which all of it is pinned, of those that one sees
     * @param  list<RefreshData>  $history
     */
    public function __construct(
        public int $id,
        public CalendarNameData $calendar,
        public string $url,
        public DocumentKind $kind,
        public bool $mayManage,
        public int $refreshMinutes,
        public int $everyMinutes,
        public ?string $succeededAt,
        public ?string $nextAt,
        public ?string $error,
        public ?string $failingSince,
        public bool $declined,
        public ?RefreshData $held,
        public string $signIn,
        public string $user,
        public ?SourceTermsData $terms,
        public ?string $catalogue,
        public array $pins,
        public array $history,
    ) {
    }

    /**
     * @param  Source  $source  with its newest refreshes loaded
     * @param  bool  $manages  whether they manage it who are told
     * @param  list<SourcePinData>  $pins
     */
    public static function of(Source $source, bool $manages, array $pins): self
    {
        $held = $manages ? $source->held : null;

        return new self(
            id: $source->id,
            calendar: CalendarNameData::of($source->calendar),
            url: $manages ? $source->url : (string) parse_url($source->url, PHP_URL_HOST),
            kind: $source->kind,
            mayManage: $manages,
            refreshMinutes: $source->refresh_minutes,
            everyMinutes: $source->everyMinutes(),
            succeededAt: $source->succeeded_at?->toIso8601ZuluString(),
            nextAt: $source->next_refresh_at?->toIso8601ZuluString(),
            error: $source->error,
            failingSince: $source->failing_since?->toIso8601ZuluString(),
            declined: $source->declined !== null,
            held: $held === null ? null : RefreshData::of($held),
            signIn: $source->sign_in['kind'] ?? 'none',
            user: $manages ? $source->sign_in['user'] ?? '' : '',
            terms: $manages ? SourceTermsData::of($source->terms ?? []) : null,
            catalogue: $source->catalogue,
            pins: $pins,
            history: $source->refreshes->map(RefreshData::of(...))->values()->all(),
        );
    }
}
