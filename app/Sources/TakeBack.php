<?php

namespace App\Sources;

use App\Directory\Person;
use App\History\Undo;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Sources\RefreshState;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Takes refreshes back. */
final class TakeBack
{
    public function __construct(private readonly Undo $undo)
    {
    }

    /**
     * Goes back to before a refresh: the newest first, as each stands on those before it. What the far side had last is declined, so
     * that the next refresh does not bring it again.
     *
     * @throws ConflictHttpException where it did nothing that could be taken back, or somebody took it back before
     */
    public function before(Source $source, Refresh $refresh, Person $by): void
    {
        DB::transaction(function () use ($source, $refresh, $by): void {
            Source::query()->lockForUpdate()->findOrFail($source->id);
            $since = $source->refreshes()->where('id', '>=', $refresh->id)->where('state', RefreshState::Done)->whereNotNull('operation_id')->with('operation')->orderByDesc('id')->get();
            if ($since->last()?->id !== $refresh->id) {
                throw new ConflictHttpException('There is nothing of it to be taken back.');
            }
            foreach ($since as $each) {
                if ($each->operation !== null && $each->operation->undone_at === null) {
                    $this->undo->takeBack($each->operation, $by);
                }
                $each->update(['state' => RefreshState::TakenBack]);
            }
            $source->update(['declined' => $since[0]->digest]);
        });
    }
}
