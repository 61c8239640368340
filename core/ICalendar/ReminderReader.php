<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\TimeKind;

/** Reads the VALARMs of an event (RFC 5545, 3.6.6). */
final readonly class ReminderReader
{
    private const MOST = 50;

    public function __construct(private Diagnostics $diagnostics, private TimeReader $times)
    {
    }

    /** @return list<Reminder> */
    public function reminders(Component $event): array
    {
        $reminders = [];
        foreach ($event->components() as $component) {
            if ($component->name !== 'VALARM') {
                continue;
            }
            if (count($reminders) >= self::MOST) {
                $this->diagnostics->add($component->line, 'VALARM', 'the event has more than '.self::MOST.' of them', Outcome::Skipped);
                break;
            }
            try {
                $reminders[] = $this->read($component);
            } catch (InvalidTime $problem) {
                $this->diagnostics->add($component->line, 'VALARM', $problem->getMessage(), Outcome::Skipped);
            }
        }

        return $reminders;
    }

    /** @throws InvalidTime */
    private function read(Component $component): Reminder
    {
        $trigger = $component->first('TRIGGER') ?? throw new InvalidTime('The reminder does not say when.');
        $action = strtoupper(trim($component->first('ACTION')->value ?? ''));
        if (preg_match('/^[A-Z0-9-]{1,40}$/', $action) !== 1) {
            $this->diagnostics->add($component->line, 'VALARM', 'it has no ACTION; DISPLAY is taken', Outcome::Mended);
            $action = 'DISPLAY';
        }
        $extra = array_values(array_filter($component->properties(), static fn (Property $property): bool => ! in_array($property->name, ['TRIGGER', 'ACTION'], true)));
        $parameters = array_diff_key($trigger->parameters, ['RELATED' => true, 'VALUE' => true, 'TZID' => true]);
        if (str_starts_with(ltrim($trigger->value, "+- \t"), 'P')) {
            return new Reminder(Duration::parse($trigger->value), strtoupper($trigger->parameter('RELATED') ?? '') === 'END', null, $action, $extra, $parameters, $component->components());
        }
        $at = $this->times->one($trigger);
        if ($at->kind === TimeKind::Date) {
            throw new InvalidTime('The reminder names a day and no time.');
        }

        return new Reminder(null, false, $at, $action, $extra, $parameters, $component->components());
    }
}
