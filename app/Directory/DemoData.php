<?php

namespace App\Directory;

/** How a demo is entered. */
final readonly class DemoData
{
    /**
     * @param  list<DemoPersonData>  $people
     */
    public function __construct(
        public string $password,
        public array $people,
    ) {
    }

    public static function fromSettings(): self
    {
        $people = Person::query()->where('status', 'active')->whereNotNull('password')->orderBy('id')->limit(60)->get();

        return new self((string) config('rota.demo.password'), $people->map(static fn (Person $each): DemoPersonData => new DemoPersonData($each->name, $each->email, $each->post))->all());
    }
}
