<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Finds the source that somebody refreshes: one of a calendar that they manage. */
final class ManagedSource
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    /**
     * @throws ModelNotFoundException where they see nothing of its calendar
     * @throws AccessDeniedHttpException where they may do less
     */
    public function find(int $id): Source
    {
        $source = Source::query()->whereIn('calendar_id', $this->viewer->calendars()->keys())->with('calendar')->findOrFail($id);
        $this->viewer->demand($this->viewer->calendars()[$source->calendar_id]->level(), Level::Manage);

        return $source;
    }
}
