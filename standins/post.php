<?php

// What a mail program sends back: an answer, another time, words, or that a letter did not arrive. It goes where a mail server would
// pipe it: into rota:receive. See README.md.

declare(strict_types=1);

/** @return string what rota:receive made of it */
function deliver(string $message, string $home): string
{
    $process = proc_open([PHP_BINARY === '' || str_contains(PHP_BINARY, 'fpm') ? 'php' : PHP_BINARY, dirname(__DIR__).'/artisan', 'rota:receive'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, null, ['ROTA_HOME' => $home, 'PATH' => (string) getenv('PATH') ?: '/usr/bin:/bin']);
    if ($process === false) {
        return 'it could not be delivered';
    }
    fwrite($pipes[0], $message);
    fclose($pipes[0]);
    $says = trim((string) stream_get_contents($pipes[1]));
    array_map(fclose(...), [$pipes[1], $pipes[2]]);
    proc_close($process);

    return $says;
}

/**
 * An answer as a calendar program writes it (RFC 5546, 3.2.3 and 3.2.7), from the calendar that came.
 *
 * @param  string  $does  ACCEPTED, TENTATIVE, DECLINED, or COUNTER: an hour later
 */
function answerMessage(string $calendar, string $from, string $does): string
{
    $lines = (string) preg_replace('/\r?\n[ \t]/', '', $calendar);
    $has = static fn (string $name): string => preg_match("/^{$name}[;:].*$/m", (string) strstr($lines, 'BEGIN:VEVENT'), $found) === 1 ? trim($found[0]) : '';
    $organizer = preg_match('/mailto:(.+)$/i', $has('ORGANIZER'), $found) === 1 ? trim($found[1]) : '';
    $isCounter = $does === 'COUNTER';
    $later = static fn (string $line): string => (string) preg_replace_callback('/(\d{8})T(\d\d)(\d{4})/', static fn (array $time): string => date('Ymd\THis', (int) strtotime("{$time[1]} {$time[2]}:".substr($time[3], 0, 2).' +1 hour')), $line);
    $method = $isCounter ? 'COUNTER' : 'REPLY';
    $zone = preg_match('/BEGIN:VTIMEZONE.*END:VTIMEZONE\r?\n/s', $lines, $found) === 1 ? $found[0] : '';
    $event = array_filter([
        'BEGIN:VEVENT', $has('UID'), $has('RECURRENCE-ID'), $has('SEQUENCE'), 'DTSTAMP:'.gmdate('Ymd\THis\Z'), $isCounter ? $later($has('DTSTART')) : $has('DTSTART'), $isCounter ? $later($has('DTEND')) : '',
        $has('ORGANIZER'), 'ATTENDEE;PARTSTAT='.($isCounter ? 'TENTATIVE' : $does).":mailto:{$from}", $isCounter ? 'COMMENT:An hour later would suit me.' : '', 'END:VEVENT',
    ]);

    return envelope($from, $organizer, "text/calendar; charset=utf-8; method={$method}", "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Stand-in//EN\r\nMETHOD:{$method}\r\n{$zone}".implode("\r\n", $event)."\r\nEND:VCALENDAR\r\n");
}

/** That a letter did not arrive (RFC 3464). */
function bounceMessage(string $to, string $recipient): string
{
    return envelope('mailer-daemon@elsewhere.example', $to, 'multipart/report; report-type=delivery-status; boundary="part"', implode("\r\n", [
        '--part', 'Content-Type: text/plain', '', 'Your letter could not be delivered.', '--part', 'Content-Type: message/delivery-status', '', 'Reporting-MTA: dns; mail.elsewhere.example', '',
        "Final-Recipient: rfc822; {$recipient}", 'Action: failed', 'Status: 5.1.1', 'Diagnostic-Code: smtp; 550 5.1.1 There is no such mailbox', '', '--part--', '',
    ]));
}

function envelope(string $from, string $to, string $type, string $body): string
{
    return implode("\r\n", ["From: {$from}", "To: {$to}", 'Subject: Re', 'Date: '.date(DATE_RFC2822), 'Message-ID: <'.bin2hex(random_bytes(8)).'@elsewhere.example>', 'MIME-Version: 1.0', "Content-Type: {$type}", '', $body]);
}
