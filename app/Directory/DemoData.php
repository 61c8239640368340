<?php

namespace App\Directory;

/** How a demo is entered. */
final readonly class DemoData
{
    /** Of each of these one stands first: so the product is seen from five sides. */
    private const ROLES = ['Coordinator', 'Teacher', 'Student', 'Parent', 'Administrator'];

    /**
     * @param  list<DemoPersonData>  $roles  One of each role
     * @param  list<DemoPersonData>  $people  Everybody else
     */
    public function __construct(
        public string $password,
        public array $roles,
        public array $people,
    ) {
    }

    public static function fromSettings(): self
    {
        $people = Person::query()->where('status', 'active')->whereNotNull('password')->orderBy('id')->limit(60)->get();

        $roles = collect(self::ROLES)->map(static fn (string $role): ?Person => $people->first(static fn (Person $each): bool => str_starts_with((string) $each->post, $role)))->filter();
        $tell = static fn (Person $each): DemoPersonData => new DemoPersonData($each->name, $each->email, $each->post);

        return new self((string) config('rota.demo.password'), $roles->map($tell)->values()->all(), $people->whereNotIn('id', $roles->pluck('id'))->map($tell)->values()->all());
    }
}
