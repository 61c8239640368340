<?php

namespace App\Outbox;

use Symfony\Component\Mailer\Envelope;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Header\Headers;
use Symfony\Component\Mime\Message;
use Symfony\Component\Mime\Part\AbstractPart;
use Symfony\Component\Mime\Part\DataPart;
use Symfony\Component\Mime\Part\Multipart\AlternativePart;
use Symfony\Component\Mime\Part\Multipart\MixedPart;
use Symfony\Component\Mime\Part\TextPart;

/** Makes a MIME message of a letter (RFC 2045; what is in it of a calendar by RFC 6047). */
final class LetterMessage
{
    public static function of(OutboxLetter $letter, WrittenLetter $written): Message
    {
        $headers = (new Headers)
            ->addIdHeader('Message-ID', $letter->messageId())
            ->addDateHeader('Date', now()->toDateTimeImmutable())
            ->addMailboxListHeader('From', [new Address(self::site(), $written->from)])
            ->addMailboxListHeader('To', [new Address($written->address, $written->name)])
            ->addTextHeader('Subject', $written->subject)
            // Nobody’s absence is told to a machine (RFC 3834).
            ->addTextHeader('Auto-Submitted', 'auto-generated');
        if ($written->replyTo !== '') {
            $headers->addMailboxListHeader('Reply-To', [new Address($written->replyTo, $written->from)]);
        }
        if ($written->unsubscribe !== '') {
            $headers->addTextHeader('List-Unsubscribe', "<{$written->unsubscribe}>")->addTextHeader('List-Unsubscribe-Post', 'List-Unsubscribe=One-Click');
        }
        if ($written->thread !== '') {
            $headers->addIdHeader('References', "{$written->thread}@".self::domain());
        }

        return new Message($headers, self::body($written));
    }

    /** What comes back undelivered comes to where answers go. */
    public static function envelope(WrittenLetter $written): Envelope
    {
        return new Envelope(new Address($written->replyTo !== '' ? $written->replyTo : self::site()), [new Address($written->address)]);
    }

    /** The address from which letters come. */
    public static function site(): string
    {
        return (string) config('mail.from.address');
    }

    public static function domain(): string
    {
        return explode('@', self::site(), 2)[1] ?? 'localhost';
    }

    /** Lines end as those of mail do. */
    private static function lines(string $text): string
    {
        return (string) preg_replace('/\r\n|\r|\n/', "\r\n", $text);
    }

    private static function body(WrittenLetter $written): AbstractPart
    {
        $parts = [new TextPart(self::lines($written->text), 'utf-8', 'plain'), new TextPart(self::lines($written->html), 'utf-8', 'html')];
        if ($written->method === null) {
            return new AlternativePart(...$parts);
        }
        $calendar = new TextPart($written->calendar, 'utf-8', 'calendar');
        $calendar->getHeaders()->addParameterizedHeader('Content-Type', 'text/calendar', ['method' => $written->method->value]);

        // Beside it as a file: some programs read the one, some the other.
        return new MixedPart(new AlternativePart(...[...$parts, $calendar]), new DataPart($written->calendar, 'event.ics', 'application/ics'));
    }
}
