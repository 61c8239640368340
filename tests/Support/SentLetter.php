<?php

namespace Tests\Support;

use App\Outbox\SendOutbox;
use Illuminate\Support\Facades\Mail;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\Time\Zone;
use Symfony\Component\Mailer\SentMessage;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\MailMimeParser;

/** A letter as it went out, read by a library that did not write it. */
final class SentLetter
{
    private function __construct(public readonly string $source, private readonly IMessage $message, public readonly string $to)
    {
    }

    /** @return list<self> what has gone out since this was asked last, with what is due by now */
    public static function all(): array
    {
        app(SendOutbox::class)->run();
        $transport = Mail::mailer()->getSymfonyTransport();
        $messages = $transport->messages();
        $transport->flush();

        return $messages->map(static fn (SentMessage $each): self => self::of($each->toString(), $each->getEnvelope()->getRecipients()[0]->getAddress()))->values()->all();
    }

    public static function of(string $source, string $to = ''): self
    {
        return new self($source, (new MailMimeParser)->parse($source, false), $to);
    }

    public function header(string $name): string
    {
        return (string) $this->message->getHeaderValue($name);
    }

    public function subject(): string
    {
        return $this->header('Subject');
    }

    public function text(): string
    {
        return str_replace("\r\n", "\n", (string) $this->message->getTextContent());
    }

    public function html(): string
    {
        return (string) $this->message->getHtmlContent();
    }

    public function calendar(): string
    {
        return (string) $this->message->getPart(0, static fn ($part): bool => $part->getContentType() === 'text/calendar')?->getContent();
    }

    /** As MIME has it, and as the calendar itself. */
    public function method(): array
    {
        $reader = $this->reader();
        iterator_to_array($reader->events(), false);

        return [$this->message->getPart(0, static fn ($part): bool => $part->getContentType() === 'text/calendar')?->getHeaderParameter('Content-Type', 'method'), $reader->method()?->value];
    }

    /** @return list<Event> */
    public function events(): array
    {
        return iterator_to_array($this->reader()->events(), false);
    }

    /** Where answers to it go, as its calendar says. */
    public function organizer(): string
    {
        return (string) $this->events()[0]->organizer?->mailAddress();
    }

    /** What is answered to it by another program (RFC 5546, 3.2.3), as a message. */
    public function reply(string $answer, Method $method = Method::Reply, string $more = '', ?int $sequence = null, string $from = '', string $occurrence = '', string $times = ''): string
    {
        $event = $this->events()[0];
        $from = $from === '' ? $this->to : $from;
        $calendar = implode("\r\n", array_filter([
            'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Elsewhere//EN', "METHOD:{$method->value}", 'BEGIN:VEVENT', "UID:{$event->uid}", 'DTSTAMP:20261102T101500Z', 'SEQUENCE:'.($sequence ?? $event->sequence),
            $occurrence, $times, "ORGANIZER:mailto:{$this->organizer()}", "ATTENDEE;PARTSTAT={$answer}:mailto:{$from}", $more, 'END:VEVENT', 'END:VCALENDAR', '',
        ], static fn (string $line): bool => $line !== ''));

        return self::message($from, $this->organizer(), $calendar, $method->value);
    }

    public static function message(string $from, string $to, string $calendar, string $method): string
    {
        return implode("\r\n", ["From: {$from}", "To: {$to}", 'Subject: Re', 'Message-ID: <'.uniqid().'@elsewhere.example>', 'MIME-Version: 1.0', "Content-Type: text/calendar; charset=utf-8; method={$method}", 'Content-Transfer-Encoding: base64', '', chunk_split(base64_encode($calendar))]);
    }

    private function reader(): CalendarReader
    {
        return new CalendarReader(Make::stream($this->calendar()), new Diagnostics, Zone::utc());
    }
}
