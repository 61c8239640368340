<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** What somebody has published, and what others have of the calendars and overlays that they manage. */
final class ManagedPublications
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    /** @return Builder<Publication> */
    public function query(): Builder
    {
        return Publication::standing()->with(['calendar', 'overlay', 'publisher', 'links'])
            ->where(fn ($query) => $query->whereIn('calendar_id', $this->viewer->managedCalendars())->orWhereIn('overlay_id', $this->viewer->managedOverlays())->orWhere('published_by', $this->viewer->person()->id));
    }

    /** @throws ModelNotFoundException */
    public function find(int $id): Publication
    {
        return $this->query()->findOrFail($id);
    }

    /**
     * It gives what its publisher may see: nobody else decides how much of that, or makes a new way to it.
     *
     * @throws ModelNotFoundException
     * @throws AccessDeniedHttpException where somebody else published it
     */
    public function own(int $id): Publication
    {
        $publication = $this->find($id);
        if ($publication->published_by !== $this->viewer->person()->id) {
            throw new AccessDeniedHttpException("Only {$publication->publisher->name} may change it. You may pause it, or take it back.");
        }

        return $publication;
    }
}
