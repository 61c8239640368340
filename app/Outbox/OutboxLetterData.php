<?php

namespace App\Outbox;

/** A letter that waits or has gone, as administrators are told of it: to whom and what became of it, not what it says. */
final readonly class OutboxLetterData
{
    /**
     * @param  string  $to  A name, or the mail address of somebody outside
     * @param  string  $at  When it came to wait
     * @param  ?string  $due  When it is tried next, while it waits
     * @param  int  $attempts  How often it was tried
     * @param  string  $problem  Why it did not go, or was not sent
     */
    public function __construct(
        public int $id,
        public LetterKind $kind,
        public string $to,
        public LetterState $state,
        public string $at,
        public ?string $due,
        public ?string $sent,
        public int $attempts,
        public string $problem,
    ) {
    }

    public static function of(OutboxLetter $letter): self
    {
        return new self(
            $letter->id, $letter->kind, $letter->person->name ?? $letter->address, $letter->state, $letter->created_at->toIso8601ZuluString(),
            $letter->state === LetterState::Waiting ? $letter->due_at->toIso8601ZuluString() : null, $letter->sent_at?->toIso8601ZuluString(), $letter->attempts, $letter->problem,
        );
    }
}
