<?php

declare(strict_types=1);

namespace Bench;

use CurlHandle;
use RuntimeException;

/** Asks a server as a browser does: over one connection, signed in. */
final class Browser
{
    private CurlHandle $curl;

    private string $token = '';

    public function __construct(private readonly string $url)
    {
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [CURLOPT_COOKIEFILE => '', CURLOPT_RETURNTRANSFER => true, CURLOPT_ENCODING => '', CURLOPT_HEADERFUNCTION => function ($curl, string $header): int {
            if (preg_match('/^set-cookie: XSRF-TOKEN=([^;]+)/i', $header, $m) === 1) {
                $this->token = urldecode($m[1]);
            }

            return strlen($header);
        }]);
    }

    public function signIn(string $email, string $password): void
    {
        $this->get('/api/v1/session');
        curl_setopt_array($this->curl, [CURLOPT_POST => true, CURLOPT_POSTFIELDS => json_encode(compact('email', 'password'))]);
        $this->ask('/api/v1/session');
        curl_setopt($this->curl, CURLOPT_HTTPGET, true);
    }

    /** @return array{float, string} seconds for the whole request, and the answer */
    public function get(string $path): array
    {
        return $this->ask($path);
    }

    /** What it is signed in by, as a header says it: for others that ask as the same person. */
    public function cookies(): string
    {
        $each = array_map(static fn (string $line): array => explode("\t", $line), curl_getinfo($this->curl, CURLINFO_COOKIELIST));

        return implode('; ', array_map(static fn (array $cookie): string => "{$cookie[5]}={$cookie[6]}", $each));
    }

    /** @return array{float, string} */
    private function ask(string $path): array
    {
        curl_setopt_array($this->curl, [CURLOPT_URL => $this->url.$path, CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$this->token}"]]);
        $answer = curl_exec($this->curl);
        $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        if (! is_string($answer) || $status !== 200) {
            throw new RuntimeException("{$path} answered {$status}: ".substr((string) $answer, 0, 300));
        }

        return [curl_getinfo($this->curl, CURLINFO_TOTAL_TIME), $answer];
    }
}
