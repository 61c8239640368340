<?php

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Symfony\Component\HttpFoundation\Cookie;

/** The token is told in a cookie; within a frame in one of another name, beside that of the product itself where the browser sends both. */
final class CsrfToken extends ValidateCsrfToken
{
    public const FRAMED = 'XSRF-TOKEN-MEMBERS';

    /**
     * @param  \Illuminate\Http\Request  $request
     * @param  array<string, mixed>  $config  of the session
     */
    protected function newCookie($request, $config): Cookie
    {
        $cookie = parent::newCookie($request, $config);

        return $config['cookie'] !== WithinFrame::COOKIE ? $cookie : new Cookie(self::FRAMED, $cookie->getValue(), $cookie->getExpiresTime(), $cookie->getPath(), $cookie->getDomain(), $cookie->isSecure(), $cookie->isHttpOnly(), false, $cookie->getSameSite(), $cookie->isPartitioned());
    }
}
