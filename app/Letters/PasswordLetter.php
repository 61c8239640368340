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

/** The link by which somebody who has forgotten their password sets a new one. */
final class PasswordLetter extends Mailable implements ShouldQueue
{
    use Queueable;
    use SerializesModels;

    public int $tries = Letter::TRIES;

    /** @var list<int> seconds between tries */
    public array $backoff = Letter::BACKOFF;

    public function __construct(public readonly Person $reader)
    {
        $this->afterCommit();
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'A new password for Pinned Rota');
    }

    public function content(): Content
    {
        return new Content(view: 'letters.letter', text: 'letters.letter-text', with: [
            'title' => 'A new password for Pinned Rota',
            'paragraphs' => ['Somebody, most likely you, asked to set a new password for this address. If it was not you, do nothing: the present one stays.'],
            'button' => 'Set a new password',
            'url' => WelcomeLink::askedFor($this->reader),
            'isNew' => false,
        ]);
    }
}
