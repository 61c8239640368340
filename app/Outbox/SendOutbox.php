<?php

namespace App\Outbox;

use App\Following\DigestWriter;
use App\Following\NoticeWriter;
use App\Invitations\InvitationWriter;
use App\Invitations\PlaceWriter;
use App\Invitations\ProposalDeclinedWriter;
use App\Preparation\TasksWriter;
use App\Reminders\ReminderWriter;
use Illuminate\Contracts\Container\Container;
use Illuminate\Mail\Mailer;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Transport\Smtp\SmtpTransport;
use Symfony\Component\Mailer\Transport\TransportInterface;
use Throwable;

/**
 * Sends letters that are due, one after another; any number of workers may. Who is ended in between loses none: what it had is sent by
 * another once its claim is over, and at most the one in flight twice, under the same Message-ID.
 */
final class SendOutbox
{
    /** Minutes until each further try; after the last there is none. */
    private const BACK_OFF = [1, 5, 30, 120, 480];

    private const CLAIM_MINUTES = 5;

    /** In one go: whoever comes after is not kept waiting for ever. */
    private const MOST = 500;

    private const WRITERS = [
        LetterKind::Invitation->value => InvitationWriter::class, LetterKind::ProposalDeclined->value => ProposalDeclinedWriter::class, LetterKind::Reminder->value => ReminderWriter::class,
        LetterKind::TasksAssigned->value => TasksWriter::class, LetterKind::TasksDue->value => TasksWriter::class, LetterKind::PreparationChanged->value => TasksWriter::class,
        LetterKind::Place->value => PlaceWriter::class,
        LetterKind::Notice->value => NoticeWriter::class, LetterKind::Digest->value => DigestWriter::class,
    ];

    public function __construct(private readonly Container $container)
    {
    }

    /** @return int how many were sent */
    public function run(): int
    {
        $sent = 0;
        for ($looked = 0; $looked < self::MOST; $looked++) {
            $letter = $this->claim();
            if ($letter === null) {
                break;
            }
            $sent += $this->send($letter) ? 1 : 0;
        }
        if ($sent > 0) {
            self::hangUp();
        }

        return $sent;
    }

    /** A connection that is kept is closed by the other side sooner or later, and the next letter would fail by it. */
    private static function hangUp(): void
    {
        $transport = self::transport();
        if ($transport instanceof SmtpTransport) {
            $transport->stop();
        }
    }

    private static function transport(): TransportInterface
    {
        $mailer = Mail::mailer();
        assert($mailer instanceof Mailer);

        return $mailer->getSymfonyTransport();
    }

    /** Takes the next that is due, so that no other worker does. */
    private function claim(): ?OutboxLetter
    {
        return DB::transaction(function (): ?OutboxLetter {
            $letter = OutboxLetter::query()->where('state', LetterState::Waiting)->where('due_at', '<=', now())
                ->where(static fn ($free) => $free->whereNull('claimed_until')->orWhere('claimed_until', '<', now()))
                ->orderBy('due_at')->orderBy('id')->lock('for update skip locked')->first();
            // What changes from here on is for the next letter.
            $letter?->update(['slot' => null, 'claimed_until' => now()->addMinutes(self::CLAIM_MINUTES), 'attempts' => $letter->attempts + 1]);

            return $letter;
        }, 3);
    }

    private function send(OutboxLetter $letter): bool
    {
        $later = $this->overLimit($letter);
        if ($later !== null) {
            $letter->update(['due_at' => $later, 'claimed_until' => null, 'attempts' => $letter->attempts - 1]);

            return false;
        }
        try {
            $written = $this->writer($letter)->write($letter);
            self::transport()->send(LetterMessage::of($letter, $written), LetterMessage::envelope($written));
        } catch (NothingToSend $nothing) {
            $letter->update(['state' => LetterState::Dropped, 'problem' => Str::limit($nothing->getMessage(), 490), 'claimed_until' => null]);

            return false;
        } catch (SendLater $later) {
            $letter->update(['due_at' => $later->due, 'claimed_until' => null, 'attempts' => $letter->attempts - 1, 'problem' => $later->getMessage()]);

            return false;
        } catch (Throwable $problem) {
            $this->failed($letter, $problem);

            return false;
        }
        DB::transaction(static function () use ($letter, $written): void {
            $letter->update(['state' => LetterState::Sent, 'sent_at' => now(), 'claimed_until' => null, 'problem' => '']);
            if ($written->whenSent !== null) {
                ($written->whenSent)();
            }
        }, 3);

        return true;
    }

    private function failed(OutboxLetter $letter, Throwable $problem): void
    {
        if (! $problem instanceof TransportExceptionInterface) {
            report($problem);
        }
        // What broke over a connection is tried again over another.
        Mail::forgetMailers();
        $wait = self::BACK_OFF[$letter->attempts - 1] ?? null;
        // What the server will never take is not tried again (RFC 5321, 4.2.1).
        $isFinal = $wait === null || ($problem->getCode() >= 500 && $problem->getCode() < 600);
        $letter->update([
            'state' => $isFinal ? LetterState::Failed : LetterState::Waiting, 'problem' => Str::limit($problem->getMessage(), 490), 'claimed_until' => null,
            'due_at' => now()->addMinutes($wait ?? 0),
        ]);
    }

    /** @return ?Carbon when it may go, where somebody has had as many as one is sent within an hour */
    private function overLimit(OutboxLetter $letter): ?Carbon
    {
        $sent = OutboxLetter::query()->where('address', $letter->address)->where('sent_at', '>', now()->subHour())->orderByDesc('sent_at')
            ->skip((int) config('rota.letters.per_hour') - 1)->value('sent_at');

        return $sent === null ? null : Carbon::parse($sent)->addHour()->addSecond();
    }

    private function writer(OutboxLetter $letter): WritesLetters
    {
        return $this->container->make(self::WRITERS[$letter->kind->value]);
    }
}
