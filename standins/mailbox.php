<?php

// The mailbox of everybody: what the stand-in mail server has taken, newest first. See README.md.

declare(strict_types=1);

/** The list of letters, or with ?letter= one of them as its reader sees it. */
function mailbox(string $directory): void
{
    header('Content-Type: text/html; charset=utf-8');
    $letter = basename((string) ($_GET['letter'] ?? ''));
    if ($letter !== '' && is_file("{$directory}/{$letter}.eml")) {
        echo part(letter("{$directory}/{$letter}.eml"), 'text/html');

        return;
    }
    $to = strtolower((string) ($_GET['to'] ?? ''));
    $rows = '';
    $files = glob("{$directory}/*.eml") ?: [];
    foreach (array_reverse(array_slice($files, -300)) as $file) {
        $message = letter($file);
        if ($to === '' || str_contains($message['headers']['x-delivered-to'] ?? '', $to)) {
            $rows .= '<li><a href="/mailbox?letter='.rawurlencode(basename($file, '.eml')).'">'.escape($message['headers']['subject'] ?? '').'</a> to '.escape($message['headers']['x-delivered-to'] ?? '').', '.escape($message['headers']['date'] ?? '').'</li>';
        }
    }
    echo '<!doctype html><html lang="en"><meta charset="utf-8"><title>Mailbox</title><style>body{font:16px/1.5 Georgia,serif;max-width:46em;margin:2em auto;padding:0 1em;background:#f7f2e8;color:#1d2733}li{margin:.5em 0}</style>'
        .'<h1>Everybody’s mailbox</h1><p>What the demo has sent by mail: nothing of it left this machine.</p>'
        .($rows === '' ? '<p>There is no letter yet.</p>' : "<ul>{$rows}</ul>").'</html>';
}

/** @return array{headers: array<string, string>, body: string} header names in lower case */
function letter(string $file): array
{
    return split((string) file_get_contents($file));
}

/** @return array{headers: array<string, string>, body: string} */
function split(string $text): array
{
    [$head, $body] = explode("\r\n\r\n", $text, 2) + [1 => ''];
    $headers = iconv_mime_decode_headers($head, ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8') ?: [];

    return ['headers' => array_change_key_case(array_map(static fn (mixed $value): string => is_array($value) ? (string) end($value) : (string) $value, $headers)), 'body' => $body];
}

/**
 * The part of a letter that is of a kind, decoded; its text where it has none.
 *
 * @param  array{headers: array<string, string>, body: string}  $message
 */
function part(array $message, string $kind): string
{
    $type = $message['headers']['content-type'] ?? 'text/plain';
    if (preg_match('/boundary="?([^";]+)"?/i', $type, $found) === 1) {
        $last = '';
        foreach (explode("--{$found[1]}", $message['body']) as $piece) {
            $piece = split(ltrim($piece, "\r\n"));
            if (isset($piece['headers']['content-type'])) {
                $last = part($piece, $kind);
                if (str_starts_with($piece['headers']['content-type'], $kind)) {
                    return $last;
                }
            }
        }

        return $last;
    }

    return match (strtolower($message['headers']['content-transfer-encoding'] ?? '')) {
        'quoted-printable' => quoted_printable_decode($message['body']),
        'base64' => (string) base64_decode($message['body']),
        default => $message['body'],
    };
}

function escape(string $text): string
{
    return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8');
}
