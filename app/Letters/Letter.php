<?php

namespace App\Letters;

use App\Directory\Person;
use App\Directory\WelcomeLink;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Queue\SerializesModels;

/** A message by mail: a few plain lines and one button, which takes its reader there. */
final class Letter extends Mailable implements ShouldQueue
{
    use Queueable;
    use SerializesModels;

    public const TRIES = 5;

    /** Seconds between tries. */
    public const BACKOFF = [30, 120, 600, 3600];

    public int $tries = self::TRIES;

    /** @var list<int> */
    public array $backoff = self::BACKOFF;

    /**
     * @param  list<string>  $paragraphs
     * @param  string  $path  within the site, from `/`
     */
    public function __construct(
        public readonly Person $reader,
        private readonly string $about,
        private readonly array $paragraphs,
        private readonly string $button,
        private readonly string $path,
    ) {
        $this->afterCommit();
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        // Made now, not when the letter was queued: a token is nowhere but in the letter itself.
        return new Content(view: 'letters.letter', text: 'letters.letter-text', with: [
            'title' => $this->about,
            'paragraphs' => $this->paragraphs,
            'button' => $this->button,
            'url' => $this->reader->hasComeIn() ? url($this->path) : WelcomeLink::to($this->reader, $this->path),
            'isNew' => ! $this->reader->hasComeIn(),
        ]);
    }
}
