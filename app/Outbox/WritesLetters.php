<?php

namespace App\Outbox;

/** Writes the letters of a kind, when they are sent: from what is there by then, and for whom it is by then. */
interface WritesLetters
{
    /**
     * @throws NothingToSend where there is nothing to say, or nobody to say it to
     * @throws SendLater where it can wait
     */
    public function write(OutboxLetter $letter): WrittenLetter;
}
