<?php

namespace App\Http;

use App\Api\LeavesOutNull;
use JsonSerializable;

/** A problem document (RFC 9457). */
final readonly class ProblemData implements JsonSerializable
{
    use LeavesOutNull;

    /**
     * @param  ?list<FieldProblemData>  $errors
     * @param  ?mixed  $current  Where somebody else was first: the thing as it is now, or of many, those that have changed
     */
    public function __construct(
        public string $type,
        public string $title,
        public int $status,
        public string $detail,
        public ?array $errors = null,
        public mixed $current = null,
    ) {
    }
}
