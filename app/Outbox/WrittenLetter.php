<?php

namespace App\Outbox;

use Closure;
use PinnedRota\Core\ICalendar\Method;

/** A letter as it goes out: plain text, the same as HTML, and where it is one, the iCalendar message (RFC 6047). */
final readonly class WrittenLetter
{
    /**
     * @param  string  $address  to whom
     * @param  string  $from  the name under which it comes
     * @param  string  $replyTo  where answers go, and what comes back undelivered; empty: to the site
     * @param  string  $unsubscribe  an address that a POST alone ends such letters by, without an account (RFC 8058); empty where it answers to something
     * @param  ?Closure(): void  $whenSent  done in the transaction in which it is noted that it was sent
     */
    public function __construct(
        public string $address,
        public string $name,
        public string $from,
        public string $subject,
        public string $text,
        public string $html,
        public string $replyTo = '',
        public string $thread = '',
        public ?Method $method = null,
        public string $calendar = '',
        public ?Closure $whenSent = null,
        public string $unsubscribe = '',
    ) {
    }
}
