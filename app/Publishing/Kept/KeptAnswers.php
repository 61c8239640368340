<?php

namespace App\Publishing\Kept;

use App\Feeds\ProgramKind;
use Closure;

/**
 * Answers of published pages and feeds that nothing has changed since: files, given out before the framework is begun. This class and what
 * it names need nothing of it. They are known by a digest of their address, so that no secret link stands in a file.
 *
 * Whatever changes takes all of them away, once it is committed (ForgetKept); each ends at the midnight of what it is of; and none is from
 * before the settings were cached, as a release, a restored database and a fresh demo do.
 */
final class KeptAnswers
{
    /** Pages of single events are not among them: there is no end of those. */
    private const PATHS = '#^/(p|feeds|public)/[A-Za-z0-9_-]{1,100}(\.[a-z]{3,4}|/frame|/screen)?$#D';

    /**
     * @param  int  $stamp  when the settings of the instance were cached, in seconds; 0 where they are not: then nothing is kept
     * @param  Closure(): int  $clock  in seconds
     */
    public function __construct(private readonly string $directory, private readonly int $stamp, private readonly Closure $clock)
    {
    }

    /** Those of this instance, with its home and the folder of its caches (bootstrap/home.php). */
    public static function of(string $home, string $cache): self
    {
        return new self($home.'/storage/published', (int) @filemtime($cache.'/config.php'), time(...));
    }

    /**
     * Answers a request, where its answer is kept.
     *
     * @param  array<string, mixed>  $server  as $_SERVER has it
     * @return bool whether it did
     */
    public function answer(array $server): bool
    {
        $reply = $this->reply($server);
        if ($reply === null) {
            return false;
        }
        [$status, $kept, $isSent] = $reply;
        http_response_code($status);
        foreach ($kept->headers as $name => $value) {
            header("{$name}: {$value}");
        }
        if ($isSent) {
            $kept->send();
        }

        return true;
    }

    /**
     * What a request is answered with (RFC 9110, 13), and that it was read.
     *
     * @param  array<string, mixed>  $server
     * @return array{200|304, KeptAnswer, bool}|null the status, with what, and whether its content goes along
     */
    public function reply(array $server): ?array
    {
        $method = $server['REQUEST_METHOD'] ?? '';
        $kept = $method === 'GET' || $method === 'HEAD' ? $this->find((string) ($server['REQUEST_URI'] ?? '')) : null;
        if ($kept === null) {
            return null;
        }
        $isHad = $kept->isHad((string) ($server['HTTP_IF_NONE_MATCH'] ?? ''), (string) ($server['HTTP_IF_MODIFIED_SINCE'] ?? ''));
        if ($method === 'GET') {
            $this->note($kept->of, $isHad, (string) ($server['HTTP_USER_AGENT'] ?? ''));
        }

        return [$isHad ? 304 : 200, $kept, ! $isHad && $method === 'GET'];
    }

    /** @param  string  $path  without a question: what is looked at otherwise than as it opens is not kept */
    public function find(string $path): ?KeptAnswer
    {
        $stream = self::takes($path) ? @fopen($this->file($path), 'r') : false;
        $kept = $stream === false ? null : KeptAnswer::read($stream);

        return $kept !== null && $kept->stamp === $this->stamp && $kept->ends > ($this->clock)() ? $kept : null;
    }

    /** Whether an answer at this path is one that can be kept. */
    public static function takes(string $path): bool
    {
        return preg_match(self::PATHS, $path) === 1;
    }

    /** What is to be said when something is kept that is read from now on: what changes meanwhile makes it another. */
    public function generation(): string
    {
        return (string) @file_get_contents($this->directory.'/generation');
    }

    /**
     * @param  array<string, string>  $headers  with which it is given out
     * @param  string  $generation  as it was before anything of it was read
     * @param  int  $ends  in seconds
     * @param  string  $of  what it is of, whose reads are counted: “publication 7”, “feed 3”
     */
    public function keep(string $path, string $content, array $headers, string $generation, int $ends, string $of): void
    {
        if ($this->stamp === 0 || ! self::takes($path) || ! $this->hasPlace()) {
            return;
        }
        $file = $this->file($path);
        $begun = $file.'.'.bin2hex(random_bytes(6));
        // Where there is no room it is made anew each time.
        if (@file_put_contents($begun, KeptAnswer::written($content, $headers, $this->stamp, $ends, $of)) === false || ! @rename($begun, $file)) {
            @unlink($begun);

            return;
        }
        // Whoever changed something since has named another generation before looking what is to be taken away.
        if ($this->generation() !== $generation) {
            @unlink($file);
        }
    }

    /**
     * Takes all of them away: another generation first, so that what is being made is not kept after it.
     *
     * @return bool whether it could
     */
    public function clear(): bool
    {
        // Also by whoever keeps nothing, such as a worker that was begun before the settings were cached.
        $isNamed = $this->hasPlace() && @file_put_contents($this->directory.'/generation', bin2hex(random_bytes(12))) !== false;

        return array_filter(array_map(static fn (string $file): bool => @unlink($file) || ! is_file($file), glob($this->directory.'/*.kept*') ?: []), static fn (bool $isGone): bool => ! $isGone) === [] && $isNamed;
    }

    /**
     * What was read since this was asked last, and forgets it.
     *
     * @return list<array{string, bool, string, int}> of what, whether its reader had it already, by what kind of program, and when (seconds)
     */
    public function takeReads(): array
    {
        $taken = $this->directory.'/reads.'.bin2hex(random_bytes(6));
        if (! @rename($this->directory.'/reads', $taken)) {
            return [];
        }
        $reads = array_filter(array_map(static fn (string $line): mixed => json_decode($line, true), file($taken) ?: []), is_array(...));
        @unlink($taken);

        return array_values($reads);
    }

    private function hasPlace(): bool
    {
        return is_dir($this->directory) || @mkdir($this->directory, 0750, true) || is_dir($this->directory);
    }

    private function note(string $of, bool $isHad, string $agent): void
    {
        require_once __DIR__.'/../../Feeds/ProgramKind.php';
        @file_put_contents($this->directory.'/reads', json_encode([$of, $isHad, ProgramKind::of($agent)->value, ($this->clock)()], JSON_THROW_ON_ERROR)."\n", FILE_APPEND);
    }

    private function file(string $path): string
    {
        return "{$this->directory}/".hash('sha256', $path).'.kept';
    }
}
