<?php

namespace App\Overlays;

use App\Access\AccessReader;
use PinnedRota\Core\Access\Roster;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\AllDayCondition;
use PinnedRota\Core\Overlay\BusyCondition;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Condition;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Negation;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Overlay\StatusCondition;
use PinnedRota\Core\Overlay\WordsCondition;

/** Makes filters of conditions as they are stored, for whoever looks: “me” is the viewer, a group whoever is in it now. */
final class LayerConditions
{
    private ?Roster $roster = null;

    public function __construct(private readonly AccessReader $access)
    {
    }

    /** @param  list<array<string, mixed>>  $conditions  as OverlayInput has them */
    public function filter(array $conditions, int $viewerId): Filter
    {
        return new Filter(array_map(function (array $each) use ($viewerId): Condition {
            $condition = $this->condition($each, $viewerId);

            return ($each['not'] ?? false) ? new Negation($condition) : $condition;
        }, $conditions));
    }

    /** @param  array<string, mixed>  $told */
    private function condition(array $told, int $viewerId): Condition
    {
        return match ($told['about']) {
            'category' => new CategoryCondition($told['names'] ?? [], CategoryMatch::from($told['match'] ?? 'any')),
            'words' => new WordsCondition($told['words'] ?? []),
            'people' => new PeopleCondition($this->people($told['who'] ?? [], $viewerId), Part::from($told['part'] ?? 'taking part')),
            'status' => new StatusCondition(array_map(static fn (string $status): Status => Status::from($status), $told['statuses'] ?? [])),
            'all day' => new AllDayCondition((bool) ($told['is'] ?? true)),
            default => new BusyCondition((bool) ($told['is'] ?? true)),
        };
    }

    /**
     * @param  list<array{kind: string, id?: ?int}>  $who
     * @return list<int>
     */
    private function people(array $who, int $viewerId): array
    {
        $people = [];
        foreach ($who as $each) {
            array_push($people, ...match ($each['kind']) {
                'me' => [$viewerId],
                'person' => [(int) ($each['id'] ?? 0)],
                default => ($this->roster ??= $this->access->roster())->people(new Subject(SubjectKind::Group, (int) ($each['id'] ?? 0))),
            });
        }

        return array_values(array_unique($people));
    }
}
