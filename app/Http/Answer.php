<?php

namespace App\Http;

use App\History\Operation;
use Illuminate\Http\Response;

/** Answers that have no contents, and name the operation by which what was done is undone. */
final class Answer
{
    public static function done(?Operation $operation): Response
    {
        return response()->noContent()->header(Operation::HEADER, (string) $operation?->id);
    }
}
