<?php

namespace App\Publishing;

/** Something of events that would go out and that their people may not want to. */
final readonly class PublicationWarningData
{
    /**
     * @param  'title'|'place'|'responsible'|'notes'  $where  in which part of the events
     * @param  int  $count  of events
     * @param  list<string>  $people  who is named there
     * @param  list<string>  $examples  what stands there
     */
    public function __construct(public string $where, public int $count, public array $people, public array $examples)
    {
    }
}
