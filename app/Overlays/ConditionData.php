<?php

namespace App\Overlays;

use App\Api\LeavesOutNull;
use App\Directory\SubjectNames;
use JsonSerializable;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\Status;

/** What must hold of an event for a layer to take it. */
final readonly class ConditionData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  'category'|'words'|'people'|'status'|'all day'|'busy'  $about
     * @param  ?bool  $not  Whether it is its opposite that must hold
     * @param  'any'|'all'|'none'|null  $match
     * @param  ?list<string>  $names
     * @param  ?list<string>  $words  Any of them, in title, place or description
     * @param  'responsible'|'taking part'|'added'|null  $part
     * @param  ?list<WhoData>  $who
     * @param  ?list<Status>  $statuses
     */
    public function __construct(
        public string $about,
        public ?bool $not = null,
        public ?string $match = null,
        public ?array $names = null,
        public ?array $words = null,
        public ?string $part = null,
        public ?array $who = null,
        public ?array $statuses = null,
        public ?bool $is = null,
    ) {
    }

    /**
     * @param  list<array<string, mixed>>  $conditions  as they are kept
     * @return list<self> with what the people and groups in them are called
     */
    public static function many(array $conditions): array
    {
        $subject = static fn (array $who): ?Subject => $who['kind'] === 'me' ? null : new Subject(SubjectKind::from($who['kind']), (int) $who['id']);
        $all = array_merge(...array_map(static fn (array $condition): array => $condition['who'] ?? [], $conditions) ?: [[]]);
        $names = $all === [] ? null : new SubjectNames(array_filter(array_map($subject, $all)));
        $tell = static fn (array $who): WhoData => $who['kind'] === 'me' ? new WhoData('me') : new WhoData($who['kind'], (int) $who['id'], $names?->of($subject($who)));

        return array_map(static fn (array $condition): self => new self(...[
            ...$condition,
            ...(isset($condition['who']) ? ['who' => array_map($tell, $condition['who'])] : []),
            ...(isset($condition['statuses']) ? ['statuses' => array_map(Status::from(...), $condition['statuses'])] : []),
        ]), $conditions);
    }
}
