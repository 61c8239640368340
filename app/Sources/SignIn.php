<?php

namespace App\Sources;

use Illuminate\Support\Facades\Crypt;
use SensitiveParameter;

/** How one signs in at a far side: by a name and a password (RFC 7617), or by a token (RFC 6750). */
final readonly class SignIn
{
    /** @param  'basic'|'token'  $kind */
    public function __construct(public string $kind, public string $user, #[SensitiveParameter] private string $secret)
    {
    }

    /** @param  ?array{kind: string, user?: ?string, secret?: ?string}  $told */
    public static function of(#[SensitiveParameter] ?array $told): ?self
    {
        return in_array($told['kind'] ?? '', ['basic', 'token'], true) ? new self($told['kind'], (string) ($told['user'] ?? ''), (string) ($told['secret'] ?? '')) : null;
    }

    /** What an Authorization header says. */
    public function header(): string
    {
        return $this->kind === 'token' ? "Bearer {$this->secret}" : 'Basic '.base64_encode("{$this->user}:{$this->secret}");
    }

    /** @return array{kind: 'basic'|'token', user: string, secret: string} to be kept encrypted */
    public function kept(): array
    {
        return ['kind' => $this->kind, 'user' => $this->user, 'secret' => $this->secret];
    }

    /** For what waits in a queue, where everything else is plain. */
    public function sealed(): string
    {
        return Crypt::encryptString(json_encode($this->kept(), JSON_THROW_ON_ERROR));
    }

    public static function opened(?string $sealed): ?self
    {
        return $sealed === null ? null : self::of(json_decode(Crypt::decryptString($sealed), true, flags: JSON_THROW_ON_ERROR));
    }
}
