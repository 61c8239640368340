<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;

/** Makes a zone of a VTIMEZONE (RFC 5545, 3.6.5) whose name means nothing by itself. */
final readonly class TimeZoneReader
{
    private const MOST_OBSERVANCES = 60;

    /** The years in which a zone of the IANA database must agree to be taken for the one described. */
    private const COMPARED = [2015, 2035];

    private RuleReader $rules;

    public function __construct(private Diagnostics $diagnostics)
    {
        $this->rules = new RuleReader($diagnostics);
    }

    /**
     * The zone described, or null (with a diagnostic) where the description is none. Where a zone of the IANA database
     * that the description names, or one of $likely, has the same clock changes, it is that.
     *
     * @param  list<Zone>  $likely
     */
    public function read(Component $component, string $name, array $likely): ?Zone
    {
        $location = Zone::find($component->first('X-LIC-LOCATION')?->text() ?? '');
        if ($location !== null) {
            return $location;
        }
        $observances = [];
        foreach ($component->components() as $part) {
            if (! in_array($part->name, ['STANDARD', 'DAYLIGHT'], true) || count($observances) >= self::MOST_OBSERVANCES) {
                continue;
            }
            try {
                $observances[] = $this->observance($part);
            } catch (InvalidTime|InvalidRule $problem) {
                $this->diagnostics->add($part->line, $part->name, $problem->getMessage(), Outcome::Skipped);
            }
        }
        if ($observances === []) {
            $this->diagnostics->add($component->line, 'VTIMEZONE', 'it describes no offset', Outcome::Skipped);

            return null;
        }
        $described = Zone::embedded(mb_substr($name, 0, 100), $observances);
        foreach ([...ZoneGuess::byCity($name), ...$likely] as $zone) {
            if ($this->agree($zone, $described)) {
                return $zone;
            }
        }

        return $described;
    }

    /** @throws InvalidTime|InvalidRule */
    private function observance(Component $part): Observance
    {
        $onset = $part->first('DTSTART') ?? throw new InvalidTime('The part of the time zone has no DTSTART.');
        $written = $part->first('RRULE');
        $rule = $written === null ? null : $this->rules->read($written, EventTime::floating($this->local($onset->value)));
        if ($written !== null && $rule === null) {
            throw new InvalidRule('Nobody can tell when its clocks change.');
        }
        if ($rule !== null && ! in_array($rule->frequency, [Frequency::Yearly, Frequency::Monthly], true)) {
            throw new InvalidRule("No clock is changed as often as {$rule->frequency->value} says.");
        }
        $extra = [];
        foreach ($part->all('RDATE') as $property) {
            foreach (explode(',', $property->value, 500) as $value) {
                $extra[] = $this->local($value);
            }
        }

        return new Observance(
            $part->name === 'DAYLIGHT',
            $this->local($onset->value),
            $this->offset($part, 'TZOFFSETFROM'),
            $this->offset($part, 'TZOFFSETTO'),
            (string) preg_replace('/[^A-Za-z0-9+-]/', '', substr($part->first('TZNAME')?->text() ?? '', 0, 12)),
            $rule,
            $extra,
        );
    }

    /** @throws InvalidTime */
    private function local(string $value): LocalDateTime
    {
        if (preg_match('/^\s*(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)/', $value, $m) !== 1) {
            throw new InvalidTime('“'.mb_strimwidth($value, 0, 40, '…').'” is no date and time.');
        }
        // Some programs let their zones begin in the year 1, or 1601.
        $year = max(1, (int) $m[1]);

        return $year < 1000
            ? LocalDateTime::of(1000, (int) $m[2], (int) $m[3], (int) $m[4], (int) $m[5], (int) $m[6])
            : LocalDateTime::of($year, (int) $m[2], (int) $m[3], (int) $m[4], (int) $m[5], (int) $m[6]);
    }

    /** @throws InvalidTime */
    private function offset(Component $part, string $name): int
    {
        if (preg_match('/^\s*([+-])(\d\d):?(\d\d)(\d\d)?\s*$/', $part->first($name)->value ?? '', $m) !== 1 || (int) $m[2] > 23 || (int) $m[3] > 59) {
            throw new InvalidTime("The part of the time zone has no {$name}.");
        }

        return ($m[1] === '-' ? -1 : 1) * ((int) $m[2] * 3600 + (int) $m[3] * 60 + (int) ($m[4] ?? 0));
    }

    private function agree(Zone $zone, Zone $described): bool
    {
        [$from, $to] = array_map(static fn (int $year): int => CivilDate::toDays($year, 1, 1) * CivilDate::SECONDS_PER_DAY, self::COMPARED);
        $told = static fn (Zone $each): array => array_map(static fn (array $change): array => [$change['at'], $change['to']], $each->changes($from, $to));

        return $zone->offsetAt($from) === $described->offsetAt($from) && $told($zone) === $told($described);
    }
}
