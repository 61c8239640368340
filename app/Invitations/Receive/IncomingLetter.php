<?php

namespace App\Invitations\Receive;

use PinnedRota\Core\Invitations\AnswerCode;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\IMessage;
use ZBateson\MailMimeParser\MailMimeParser;
use ZBateson\MailMimeParser\Message\IMessagePart;

/** A letter that came in (RFC 5322), as far as it matters here. */
final readonly class IncomingLetter
{
    /** Where it may stand to whom a letter was delivered: what a mail server adds, and what its sender wrote. */
    private const TO = ['X-Original-To', 'Delivered-To', 'Envelope-To', 'X-Delivered-To', 'To', 'Cc'];

    /** Of what somebody writes so much is read. */
    private const MOST_WORDS = 500;

    private function __construct(private IMessage $message)
    {
    }

    /** @param  resource  $stream */
    public static function read(mixed $stream): self
    {
        return new self((new MailMimeParser)->parse($stream, false));
    }

    /** @return string the address in lower case; empty where none stands there */
    public function from(): string
    {
        return $this->addresses('From')[0] ?? '';
    }

    /** @return list<string> what follows a plus in the addresses that it went to */
    public function codes(): array
    {
        return array_values(array_filter(array_map(AnswerCode::inAddress(...), array_merge(...array_map($this->addresses(...), self::TO)))));
    }

    /** Whether nobody wrote it: it says that somebody is away, or that a letter did not arrive (RFC 3834). */
    public function isAutomatic(): bool
    {
        $says = strtolower((string) $this->message->getHeaderValue('Auto-Submitted', 'no'));

        return $says !== 'no' || $this->isReport();
    }

    /** Whether it tells what became of a letter (RFC 3464). */
    public function isReport(): bool
    {
        return strtolower((string) $this->message->getContentType()) === 'multipart/report' && strtolower((string) $this->message->getHeaderParameter('Content-Type', 'report-type', '')) === 'delivery-status';
    }

    /** @return ?string why a letter did not arrive; null where it may still */
    public function failure(): ?string
    {
        $status = (string) $this->part('message/delivery-status');
        if (preg_match('/^Action:\s*failed/mi', $status) !== 1) {
            return null;
        }

        return preg_match('/^Diagnostic-Code:\s*(?:[\w-]+;\s*)?(.+(?:\R[ \t]+.+)*)/mi', $status, $found) === 1 ? trim((string) preg_replace('/\s+/', ' ', $found[1])) : 'It did not arrive.';
    }

    /** @return ?string the calendar in it; null where there is none */
    public function calendar(): ?string
    {
        return $this->part('text/calendar') ?? $this->part('application/ics');
    }

    /** What its sender wrote, without what is repeated of the letter it answers to. */
    public function words(): string
    {
        $lines = [];
        foreach (preg_split('/\R/', (string) $this->message->getTextContent()) ?: [] as $line) {
            if (str_starts_with($line, '>') || preg_match('/^(-- |_{5,}|-{5,})/', $line) === 1 || (str_ends_with(rtrim($line), ':') && preg_match('/\d{1,2}:\d\d|@/', $line) === 1)) {
                break;
            }
            $lines[] = $line;
        }

        return mb_substr(trim(implode("\n", $lines)), 0, self::MOST_WORDS);
    }

    /** @return list<string> in lower case */
    private function addresses(string $header): array
    {
        $addresses = [];
        foreach ($this->message->getAllHeadersByName($header) as $each) {
            // What a mail server adds is no header of addresses to the reader.
            $found = $each instanceof AddressHeader ? array_map(static fn ($address): string => (string) $address->getEmail(), $each->getAddresses()) : preg_split('/[,\s<>]+/', (string) $each->getRawValue());
            array_push($addresses, ...array_filter(array_map(mb_strtolower(...), $found ?: []), static fn (string $address): bool => str_contains($address, '@')));
        }

        return $addresses;
    }

    private function part(string $type): ?string
    {
        $part = $this->message->getPart(0, static fn (IMessagePart $each): bool => strtolower((string) $each->getContentType()) === $type);

        return $part === null ? null : (string) $part->getContent();
    }
}
