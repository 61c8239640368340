<?php

// The mailbox of everybody: what the stand-in mail server has taken, newest first. See README.md.

declare(strict_types=1);

require_once __DIR__.'/post.php';

/** The list of letters, or with ?letter= one of them as its reader sees it, who can answer it; ?html= is what it says. */
function mailbox(string $home): void
{
    header('Content-Type: text/html; charset=utf-8');
    $letter = basename((string) ($_GET['letter'] ?? $_GET['html'] ?? ''));
    $file = "{$home}/mail/{$letter}.eml";
    if ($letter !== '' && is_file($file)) {
        $message = letter($file);
        // A link in it opens in place of the whole, as in a window of its own.
        echo isset($_GET['html']) ? str_replace('<head>', '<head><base target="_top">', part($message, 'text/html')) : reading($letter, $message, $_SERVER['REQUEST_METHOD'] === 'POST' ? answering($message, $home) : '');

        return;
    }
    $to = strtolower((string) ($_GET['to'] ?? ''));
    $rows = '';
    $files = glob("{$home}/mail/*.eml") ?: [];
    foreach (array_reverse(array_slice($files, -300)) as $file) {
        $message = letter($file);
        $recipient = $message['headers']['x-delivered-to'] ?? '';
        if ($to === '' || str_contains($recipient, $to)) {
            $rows .= '<li><a href="/mailbox?letter='.rawurlencode(basename($file, '.eml')).'">'.escape($message['headers']['subject'] ?? '').'</a> to <a href="/mailbox?to='.rawurlencode($recipient).'">'.escape($recipient).'</a>, '.escape($message['headers']['date'] ?? '').'</li>';
        }
    }
    echo page('Mailbox', '<h1>'.($to === '' ? 'Everybody’s mailbox' : 'Mailbox of '.escape($to)).'</h1><p>What the demo has sent by mail: nothing of it left this machine.'.($to === '' ? '' : ' <a href="/mailbox">Everybody’s</a>').'</p>'
        .($rows === '' ? '<p>There is no letter yet.</p>' : "<ul>{$rows}</ul>"));
}

/** @param  array{headers: array<string, string>, body: string}  $message */
function reading(string $letter, array $message, string $became): string
{
    $headers = $message['headers'];
    $facts = '';
    foreach (['From' => 'from', 'To' => 'x-delivered-to', 'Sent' => 'date'] as $name => $header) {
        $facts .= "<dt>{$name}</dt><dd>".escape($headers[$header] ?? '').'</dd>';
    }
    $calendar = part($message, 'text/calendar', '');
    $answers = '';
    if (str_contains($calendar, 'METHOD:REQUEST')) {
        foreach (['ACCEPTED' => 'Accept', 'TENTATIVE' => 'Tentative', 'DECLINED' => 'Decline', 'COUNTER' => 'Propose an hour later'] as $does => $words) {
            $answers .= "<button name=\"does\" value=\"{$does}\">{$words}</button> ";
        }
    }
    $form = ($headers['reply-to'] ?? '') === '' ? '' : "<form method=\"post\"><p>As this mail program: {$answers}</p><p><label>Write back <input name=\"words\" size=\"40\"></label> <button name=\"does\" value=\"WORDS\">Send</button></p></form>";

    return page($headers['subject'] ?? '', '<p><a href="/mailbox">Mailbox</a></p><h1>'.escape($headers['subject'] ?? '')."</h1><dl>{$facts}</dl>".($became === '' ? '' : '<p role="status"><b>Sent back.</b> It was '.escape($became).'.</p>')
        .$form.'<iframe title="What it says" src="/mailbox?html='.rawurlencode($letter).'"></iframe>'.($calendar === '' ? '' : '<details><summary>The calendar in it</summary><pre>'.escape($calendar).'</pre></details>'));
}

/**
 * Sends back what its reader chose.
 *
 * @param  array{headers: array<string, string>, body: string}  $message
 */
function answering(array $message, string $home): string
{
    $from = $message['headers']['x-delivered-to'] ?? '';
    $to = preg_match('/<([^>]+)>/', $message['headers']['reply-to'] ?? '', $found) === 1 ? $found[1] : ($message['headers']['reply-to'] ?? '');
    $does = (string) ($_POST['does'] ?? '');

    return deliver($does === 'WORDS' ? envelope($from, $to, 'text/plain; charset=utf-8', (string) ($_POST['words'] ?? '')) : answerMessage(part($message, 'text/calendar', ''), $from, $does), $home);
}

function page(string $title, string $body): string
{
    return '<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>'.escape($title).'</title><style>body{font:16px/1.5 Georgia,serif;max-width:46em;margin:2em auto;padding:0 1em;background:#f7f2e8;color:#1d2733}li{margin:.5em 0}'
        .'dl{display:grid;grid-template-columns:auto 1fr;gap:0 1em;margin:0 0 1em}dt{color:#5b6470}dd{margin:0}iframe{width:100%;height:34em;border:1px solid #1d2733;background:#fff}button{font:inherit;padding:.3em .8em}pre{overflow-x:auto}</style>'.$body.'</html>';
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
 * The part of a letter that is of a kind, decoded; where it has none, its text, or what is given instead.
 *
 * @param  array{headers: array<string, string>, body: string}  $message
 */
function part(array $message, string $kind, ?string $instead = null): string
{
    $found = parts($message);

    return $found[$kind] ?? $instead ?? (string) end($found);
}

/**
 * @param  array{headers: array<string, string>, body: string}  $message
 * @return array<string, string> the first of each kind, decoded
 */
function parts(array $message): array
{
    $type = $message['headers']['content-type'] ?? 'text/plain';
    if (preg_match('/boundary="?([^";]+)"?/i', $type, $boundary) !== 1) {
        return [strtolower(trim(explode(';', $type)[0])) => match (strtolower($message['headers']['content-transfer-encoding'] ?? '')) {
            'quoted-printable' => quoted_printable_decode($message['body']),
            'base64' => (string) base64_decode($message['body']),
            default => $message['body'],
        }];
    }
    $found = [];
    foreach (explode("--{$boundary[1]}", $message['body']) as $piece) {
        $piece = split(ltrim($piece, "\r\n"));
        $found += isset($piece['headers']['content-type']) ? parts($piece) : [];
    }

    return $found;
}

function escape(string $text): string
{
    return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8');
}
