<?php

namespace App\Directory;

use App\Frames\SessionFrameData;
use App\Organisation\OrganisationNameData;

/** Who is signed in; in a demo, also who may be entered as. */
final readonly class SessionData
{
    /** @param  ?SessionFrameData  $frame  Within which somebody is signed in, where that is one on another site */
    public function __construct(
        public ?PersonData $person,
        public ?DemoData $demo,
        public OrganisationNameData $organisation,
        public ?SessionFrameData $frame,
    ) {
    }
}
