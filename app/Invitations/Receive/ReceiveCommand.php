<?php

namespace App\Invitations\Receive;

use Illuminate\Console\Command;
use Throwable;

/** What a mail server pipes letters into that come back, one at a time. */
final class ReceiveCommand extends Command
{
    /** That the mail server keeps the letter and tries again (EX_TEMPFAIL of sysexits.h). */
    private const TRY_AGAIN = 75;

    /** Octets: with more it is no answer. */
    private const MOST = 5 * 1024 * 1024;

    protected $signature = 'rota:receive {file? : a letter; none: standard input}';

    protected $description = 'Takes in a letter that comes back: an answer, another time that is proposed, one that did not arrive';

    public function handle(ReceiveLetter $receive): int
    {
        $file = $this->argument('file');
        $from = is_string($file) ? @fopen($file, 'r') : STDIN;
        $stream = fopen('php://temp', 'w+');
        if ($from === false || $stream === false) {
            $this->error('There is no such file.');

            return self::FAILURE;
        }
        if (stream_copy_to_stream($from, $stream, self::MOST + 1) > self::MOST) {
            $this->line(Received::Ignored->value);

            return self::SUCCESS;
        }
        rewind($stream);
        try {
            $this->line($receive->receive($stream)->value);
        } catch (Throwable $problem) {
            report($problem);
            $this->error('The letter could not be taken in now.');

            return self::TRY_AGAIN;
        }

        return self::SUCCESS;
    }
}
