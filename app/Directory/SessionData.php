<?php

namespace App\Directory;

use App\Organisation\OrganisationNameData;

/** Who is signed in; in a demo, also who may be entered as. */
final readonly class SessionData
{
    public function __construct(
        public ?PersonData $person,
        public ?DemoData $demo,
        public OrganisationNameData $organisation,
    ) {
    }
}
