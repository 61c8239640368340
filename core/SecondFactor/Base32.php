<?php

declare(strict_types=1);

namespace PinnedRota\Core\SecondFactor;

use InvalidArgumentException;

/** Octets in 32 letters and figures (RFC 4648, 6), without padding, as authenticators take them. */
final class Base32
{
    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    public static function encode(string $octets): string
    {
        $text = '';
        $bits = $held = 0;
        foreach (str_split($octets) as $octet) {
            $held = ($held << 8) | ord($octet);
            for ($bits += 8; $bits >= 5; $bits -= 5) {
                $text .= self::ALPHABET[($held >> ($bits - 5)) & 31];
            }
            $held &= (1 << $bits) - 1;
        }

        return $bits === 0 ? $text : $text.self::ALPHABET[($held << (5 - $bits)) & 31];
    }

    /** @throws InvalidArgumentException where there is something else in the text */
    public static function decode(string $text): string
    {
        $octets = '';
        $bits = $held = 0;
        foreach (str_split(strtoupper(rtrim(str_replace([' ', '-'], '', $text), '='))) as $letter) {
            $value = strpos(self::ALPHABET, $letter);
            if ($value === false) {
                throw new InvalidArgumentException("There is no “{$letter}” in Base32.");
            }
            $held = ($held << 5) | $value;
            $bits += 5;
            if ($bits >= 8) {
                $bits -= 8;
                $octets .= chr(($held >> $bits) & 255);
                $held &= (1 << $bits) - 1;
            }
        }

        return $octets;
    }
}
