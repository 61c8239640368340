<?php

declare(strict_types=1);

namespace PinnedRota\Core\Organisation;

/** What an organisation begins with, in this order; each can be left out, and done at any later time. */
enum FirstStep: string
{
    case Name = 'name';
    case Dates = 'dates';
    case Categories = 'categories';
    case Groups = 'groups';
    case People = 'people';
    case Calendar = 'calendar';
    case Overlay = 'overlay';

    public function title(): string
    {
        return match ($this) {
            self::Name => 'Who you are',
            self::Dates => 'Dates and times',
            self::Categories => 'Categories',
            self::Groups => 'Groups',
            self::People => 'People',
            self::Calendar => 'The first calendar',
            self::Overlay => 'The first overlay',
        };
    }

    public function about(): string
    {
        return match ($this) {
            self::Name => 'The name of your organisation: people see it where they sign in and in letters.',
            self::Dates => 'The zone that new people and calendars are in, how dates are written, and when your year begins.',
            self::Categories => 'What many calendars have in common, each with a colour. Every calendar has them; it can have others of its own.',
            self::Groups => 'Departments, cohorts, teams: what is shared with a group is shared with whoever is in it, now and later.',
            self::People => 'Everybody who is to come in: from a table, one at a time by mail, or later.',
            self::Calendar => 'Where events are put: one for a department, a cohort, a workshop, or whatever is shared with the same people.',
            self::Overlay => 'Several calendars over each other, each with a colour of its own, shared like a calendar.',
        };
    }
}
