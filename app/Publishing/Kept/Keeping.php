<?php

namespace App\Publishing\Kept;

use Illuminate\Http\Request;

/** Says of an answer that it is to be kept: an attribute of its request, until all that goes with the answer is known (KeepAnswers). */
final readonly class Keeping
{
    /**
     * @param  int  $ends  in seconds
     * @param  string  $of  whose reads are counted, “publication 7”
     */
    public function __construct(public int $ends, public string $of)
    {
    }

    public static function of(Request $request): ?self
    {
        $keeping = $request->attributes->get(self::class);

        return $keeping instanceof self ? $keeping : null;
    }

    public function for(Request $request): void
    {
        $request->attributes->set(self::class, $this);
    }
}
