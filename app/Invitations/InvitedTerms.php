<?php

namespace App\Invitations;

/** What holds for whoever has an invitation. */
final readonly class InvitedTerms
{
    /**
     * @param  ?int  $places  how many may come; null: no end to them
     * @param  int  $waiting  how many wait for one
     * @param  ?int  $waitsAt  at which place of those they are, from 1
     * @param  bool  $isFull  whether they would wait if they came
     * @param  list<array{string, string}>  $others  who else is asked, and what they answered, where they may see that
     */
    public function __construct(public ?int $places, public int $taken, public int $waiting, public ?int $waitsAt, public bool $isFull, public array $others, public bool $mayBring, public bool $isProvisional)
    {
    }

    public static function none(): self
    {
        return new self(null, 0, 0, null, false, [], false, false);
    }
}
