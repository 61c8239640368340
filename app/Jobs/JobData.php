<?php

namespace App\Jobs;

use App\Http\FieldProblemData;
use App\Http\ProblemData;
use App\Imports\ImportCountsData;
use App\Sources\AddressFoundData;

/** Work that somebody asked for: how far it is, and what came of it. */
final readonly class JobData
{
    /**
     * @param  ?int  $id  Null where it was done at once
     * @param  string  $title  What it is about: the name of a file, of a calendar
     * @param  int  $done  Of `total`, while it runs; both are 0 where nothing is known yet
     * @param  ?int  $operation  By which it is undone
     * @param  ?int  $events  How many events it changed
     * @param  ?string  $calendar  The calendar that it is about, or that it made, as addresses name it
     * @param  bool  $hasFile  Whether there is a file to be downloaded
     * @param  ?AddressFoundData  $found  What is at an address that was looked at
     * @param  ?ProblemData  $problem  Why nothing was done
     */
    public function __construct(
        public ?int $id,
        public JobKind $kind,
        public string $title,
        public JobState $state,
        public int $done,
        public int $total,
        public ?int $operation,
        public ?int $events,
        public ?ImportCountsData $counts,
        public ?string $calendar,
        public bool $hasFile,
        public ?AddressFoundData $found,
        public ?ProblemData $problem,
    ) {
    }

    public static function done(JobKind $kind, string $title, JobOutcome $outcome): self
    {
        return new self(null, $kind, $title, JobState::Done, 0, 0, $outcome->operation, $outcome->events, $outcome->counts === null ? null : ImportCountsData::of($outcome->counts), $outcome->calendar, false, null, null);
    }

    public static function of(BackgroundJob $job): self
    {
        [$done, $total] = $job->state === JobState::Running ? JobProgress::of($job->id) : [0, 0];
        $outcome = $job->outcome ?? [];

        return new self(
            id: $job->id,
            kind: $job->kind,
            title: $job->title,
            state: $job->state,
            done: $done,
            total: $total,
            operation: $outcome['operation'] ?? null,
            events: $outcome['events'] ?? null,
            counts: isset($outcome['counts']) ? ImportCountsData::of($outcome['counts']) : null,
            calendar: $outcome['calendar'] ?? $job->calendar?->slug,
            hasFile: isset($outcome['file']),
            found: isset($outcome['found']) ? AddressFoundData::stored($outcome['found']) : null,
            problem: $job->problem === null ? null : self::problem($job->problem),
        );
    }

    /** @param  array<string, mixed>  $stored */
    private static function problem(array $stored): ProblemData
    {
        $errors = isset($stored['errors']) ? array_map(static fn (array $each): FieldProblemData => new FieldProblemData($each['field'], $each['message']), $stored['errors']) : null;

        return new ProblemData($stored['type'], $stored['title'], $stored['status'], $stored['detail'], $errors, $stored['current'] ?? null);
    }
}
