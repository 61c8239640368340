<?php

declare(strict_types=1);

namespace PinnedRota\Core\SecondFactor;

/**
 * Passwords that hold for half a minute, made of a secret and the time (TOTP, RFC 6238, over HOTP, RFC 4226): what an
 * authenticator shows, and what is expected of it.
 */
final readonly class OneTimePassword
{
    /** A secret has so many octets (RFC 4226, 4: 160 bits are recommended). */
    private const OCTETS = 20;

    /** So many steps before and after the present one are taken, too: clocks differ (RFC 6238, 5.2). */
    private const TOLERANCE = 1;

    /**
     * @param  string  $secret  octets
     * @param  int  $digits  of a password
     * @param  int  $period  how long one holds, in seconds
     * @param  'sha1'|'sha256'|'sha512'  $algorithm  many authenticators know the first alone
     */
    public function __construct(private string $secret, private int $digits = 6, private int $period = 30, private string $algorithm = 'sha1')
    {
    }

    /** One with a new secret. */
    public static function generate(): self
    {
        return new self(random_bytes(self::OCTETS));
    }

    /** @param  string  $text  the secret in Base32 */
    public static function ofText(string $text): self
    {
        return new self(Base32::decode($text));
    }

    /** The secret in Base32, as it is typed into an authenticator. */
    public function text(): string
    {
        return Base32::encode($this->secret);
    }

    /** The password that holds at a moment, in UTC seconds. */
    public function at(int $seconds): string
    {
        return $this->ofStep($this->step($seconds));
    }

    /**
     * The step whose password this is, or null where it is that of none near the moment. Each is taken once (RFC 6238, 5.2):
     * whoever calls keeps the step and gives it the next time.
     *
     * @param  int  $seconds  the moment, in UTC seconds
     * @param  ?int  $last  the last step that was taken
     */
    public function accepts(string $password, int $seconds, ?int $last = null): ?int
    {
        $password = (string) preg_replace('/\s+/', '', $password);
        $now = $this->step($seconds);
        for ($step = $now - self::TOLERANCE; $step <= $now + self::TOLERANCE; $step++) {
            if (($last === null || $step > $last) && hash_equals($this->ofStep($step), $password)) {
                return $step;
            }
        }

        return null;
    }

    /** By which an authenticator takes the secret in, from a picture or a link: otpauth://totp/… */
    public function uri(string $issuer, string $account): string
    {
        $label = rawurlencode(str_replace(':', ' ', $issuer)).':'.rawurlencode($account);

        return "otpauth://totp/{$label}?".http_build_query([
            'secret' => $this->text(), 'issuer' => $issuer, 'algorithm' => strtoupper($this->algorithm), 'digits' => $this->digits, 'period' => $this->period,
        ], '', '&', PHP_QUERY_RFC3986);
    }

    private function step(int $seconds): int
    {
        return intdiv($seconds, $this->period);
    }

    /** HOTP of a step (RFC 4226, 5.3). */
    private function ofStep(int $step): string
    {
        $digest = hash_hmac($this->algorithm, pack('J', $step), $this->secret, true);
        $offset = ord($digest[strlen($digest) - 1]) & 0xF;
        $number = (int) hexdec(bin2hex(substr($digest, $offset, 4))) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** $this->digits), $this->digits, '0', STR_PAD_LEFT);
    }
}
