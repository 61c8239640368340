<?php

namespace App\Sources;

use App\Organisation\Organisation;

/** Fetches an address that somebody gives, with the pages that it leads to where they want those. */
final class FirstFetch
{
    public function __construct(private readonly Fetcher $fetcher, private readonly LinkedPages $linked, private readonly Organisation $organisation)
    {
    }

    /**
     * @param  array{url: string, plain?: ?string, signIn?: ?string, terms?: array<string, mixed>}  $input  plain: the same without
     *     encryption, where the address does not say how it is fetched
     * @return array{string, FetchedDocument} the address that answered, and with what
     *
     * @throws FetchFailed
     */
    public function fetch(array $input): array
    {
        $signIn = SignIn::opened($input['signIn'] ?? null);
        [$url, $document] = $this->one($input['url'], $input['plain'] ?? null, $signIn);

        return [$url, ($input['terms']['follow'] ?? false) ? $this->linked->of($document, $signIn) : $document];
    }

    /** @return array{string, FetchedDocument} */
    private function one(string $url, ?string $plain, ?SignIn $signIn): array
    {
        try {
            return [$url, $this->fetcher->fetch($url, signIn: $signIn)];
        } catch (FetchFailed $problem) {
            if ($plain === null || ! $this->organisation->settings()->plainHttp) {
                throw $problem;
            }

            return [$plain, $this->fetcher->fetch($plain, signIn: $signIn)];
        }
    }
}
