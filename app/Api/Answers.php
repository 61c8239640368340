<?php

namespace App\Api;

use Attribute;
use OpenApi\Attributes as OA;

/** Describes what an operation answers with: one of a class of answers, or a list of them. */
#[Attribute(Attribute::TARGET_METHOD)]
final class Answers extends OA\Response
{
    /** @param  class-string  $class */
    public function __construct(string $class, string $description, int $status = 200, bool $many = false)
    {
        $schema = '#/components/schemas/'.DataSchema::name($class);
        parent::__construct(
            response: $status,
            description: $description,
            content: $many ? new OA\JsonContent(type: 'array', items: new OA\Items(ref: $schema)) : new OA\JsonContent(ref: $schema),
        );
    }
}
