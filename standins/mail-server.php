<?php

// A mail server that delivers nothing: it takes what is sent to it by SMTP (RFC 5321) and keeps it as files.
// What is for the domain unreachable.example comes back undelivered.
//   php mail-server.php PORT DIRECTORY [SECONDS before it says that it has a letter]

declare(strict_types=1);

require_once __DIR__.'/post.php';

[$port, $directory, $slow] = [(int) ($argv[1] ?? 0), (string) ($argv[2] ?? ''), (int) ($argv[3] ?? 0)];
if ($port < 1 || $directory === '') {
    fwrite(STDERR, "Usage: php mail-server.php PORT DIRECTORY\n");
    exit(2);
}
is_dir($directory) || mkdir($directory, 0700, true);
$server = stream_socket_server("tcp://127.0.0.1:{$port}", $code, $problem);
if ($server === false) {
    fwrite(STDERR, "No mail can be taken at port {$port}: {$problem}\n");
    exit(1);
}
while (true) {
    $client = @stream_socket_accept($server, 3600);
    if ($client !== false) {
        stream_set_timeout($client, 10);
        talk($client, $directory, $slow);
        fclose($client);
    }
}

/** @param  resource  $client */
function talk(mixed $client, string $directory, int $slow): void
{
    $say = static fn (string $line) => fwrite($client, "{$line}\r\n");
    $say('220 stand-in mail server');
    $to = [];
    $from = '';
    while (($line = fgets($client, 4096)) !== false) {
        $verb = strtoupper(substr(trim($line), 0, 4));
        if ($verb === 'RCPT' && preg_match('/<([^>]+)>/', $line, $found) === 1) {
            $to[] = strtolower($found[1]);
        }
        if ($verb === 'MAIL' && preg_match('/<([^>]+)>/', $line, $found) === 1) {
            $from = $found[1];
        }
        if ($verb === 'DATA') {
            $say('354 go on, end with a dot');
            keep(message($client), $to, $directory);
            sleep($slow);
            $say('250 kept');
            foreach (array_filter($to, static fn (string $each): bool => str_ends_with($each, '@unreachable.example')) as $gone) {
                deliver(bounceMessage($from, $gone), dirname($directory));
            }
            $to = [];
        } elseif ($verb === 'QUIT') {
            $say('221 goodbye');

            return;
        } else {
            $say(in_array($verb, ['EHLO', 'HELO', 'MAIL', 'RCPT', 'RSET', 'NOOP'], true) ? '250 ok' : '502 not here');
        }
    }
}

/** @param  resource  $client */
function message(mixed $client): string
{
    $text = '';
    while (($line = fgets($client, 65536)) !== false && rtrim($line, "\r\n") !== '.') {
        $text .= str_starts_with($line, '..') ? substr($line, 1) : $line;
    }

    return $text;
}

/** @param  list<string>  $to */
function keep(string $message, array $to, string $directory): void
{
    // Named by when it came, so that the newest is the last. Written beside and moved, so that nobody reads half of it.
    $name = sprintf('%.6F-%s', microtime(true), bin2hex(random_bytes(3)));
    file_put_contents("{$directory}/{$name}.part", 'X-Delivered-To: '.implode(', ', $to)."\r\n".$message);
    rename("{$directory}/{$name}.part", "{$directory}/{$name}.eml");
}
