<?php

namespace App\Http;

/** What is wrong with one field. */
final readonly class FieldProblemData
{
    public function __construct(
        public string $field,
        public string $message,
    ) {
    }
}
