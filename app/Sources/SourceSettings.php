<?php

namespace App\Sources;

/** What can be set of a source, for the change log. Of addresses and of how one signs in there is told that they are others: they may have secrets in them. */
final readonly class SourceSettings
{
    /** @param  array<string, mixed>  $values */
    private function __construct(private array $values)
    {
    }

    public static function of(Source $source): self
    {
        $terms = $source->terms ?? [];

        return new self([
            'address' => $source->url, 'minutes' => $source->refresh_minutes, 'signIn' => $source->sign_in, 'follow' => $terms['follow'] ?? false, 'order' => $terms['order'] ?? null,
            'conditions' => $terms['conditions'] ?? null, 'busy' => $terms['busy'] ?? null, 'categories' => implode(', ', $terms['categories'] ?? []), 'renamed' => $terms['renamed'] ?? null,
        ]);
    }

    /** @return array{array<string, mixed>, array<string, mixed>} what is another in later settings: as it was, and as it is then */
    public function changed(self $later): array
    {
        $names = array_keys(array_filter($this->values, static fn (mixed $value, string $name): bool => $value !== $later->values[$name], ARRAY_FILTER_USE_BOTH));

        return [$this->told($names), $later->told($names)];
    }

    /**
     * @param  list<string>  $names
     * @return array<string, mixed>
     */
    private function told(array $names): array
    {
        $told = [
            'address' => parse_url($this->values['address'], PHP_URL_HOST), 'signIn' => ['basic' => 'by a name and a password', 'token' => 'by a token'][$this->values['signIn']['kind'] ?? ''] ?? null,
        ] + $this->values;

        return array_intersect_key($told, array_flip($names));
    }
}
