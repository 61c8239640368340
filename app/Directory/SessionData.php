<?php

namespace App\Directory;

/** Who is signed in; in a demo, also who may be entered as. */
final readonly class SessionData
{
    public function __construct(
        public ?PersonData $person,
        public ?DemoData $demo,
    ) {
    }
}
