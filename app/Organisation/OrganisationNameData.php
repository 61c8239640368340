<?php

namespace App\Organisation;

/** What everybody is told of the organisation. */
final readonly class OrganisationNameData
{
    /**
     * @param  string  $name  Empty where nobody has said
     * @param  ?int  $firstMonth  In which its year begins, from 1; null where it has none but that of the calendar
     * @param  bool  $terms  Whether it has said what its terms are
     * @param  bool  $alternates  Whether its weeks are A and B in turn
     * @param  bool  $meetings  Whether links of meetings are made
     */
    public function __construct(
        public string $name,
        public ?int $firstMonth,
        public bool $terms,
        public bool $alternates,
        public bool $meetings,
    ) {
    }

    public static function of(Organisation $organisation): self
    {
        return new self($organisation->settings()->name, $organisation->settings()->firstMonth, ! $organisation->settings()->year()->isEmpty(), $organisation->settings()->year()->alternates, $organisation->settings()->meetings !== '');
    }
}
