<?php

namespace App\Feeds;

/** What kind of program asks for a feed, as far as it says (User-Agent, RFC 9110, 10.1.5): enough to know one's phone from a screen, and no more. */
enum ProgramKind: string
{
    case Phone = 'a phone or tablet';
    case Browser = 'a browser';
    case Computer = 'a program on a computer';
    case Service = 'a service in the network';
    case Other = 'some program';

    public static function of(string $agent): self
    {
        return match (true) {
            preg_match('/\b(android|iphone|ipad|ios|mobile)/i', $agent) === 1 => self::Phone,
            preg_match('/^mozilla\/.*\bgecko\b/i', $agent) === 1 => self::Browser,
            preg_match('/\b(bot|crawler|importer|fetcher|server|https?:\/\/)/i', $agent) === 1 => self::Service,
            preg_match('/\b(windows|macintosh|mac ?os|darwin|linux|x11)/i', $agent) === 1 => self::Computer,
            default => self::Other,
        };
    }
}
