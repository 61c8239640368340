<?php

namespace App\Http;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** The version that a change was made from (RFC 9110, 13.1.1): `If-Match: "7"`. */
final class IfMatch
{
    /**
     * @param  Closure(): mixed  $current  the thing as it is now
     *
     * @throws VersionConflict where the version is another
     */
    public static function check(Request $request, int $version, Closure $current): void
    {
        $header = $request->header('If-Match');
        if ($header === null) {
            throw new HttpException(428, 'A change must say which version it was made from (If-Match).');
        }
        if (trim($header, ' "') !== (string) $version) {
            throw new VersionConflict($current());
        }
    }
}
