<?php

namespace App\Publishing;

use Illuminate\Support\Carbon;
use PinnedRota\Core\Publishing\LinkPurpose;
use PinnedRota\Core\Publishing\SecretToken;

/** An address at which something is published: the one of a publication, one that it had before, or a link that is somebody's own. */
final readonly class PublishedAddress
{
    private function __construct(public string $text, public Publication $publication, public ?PublicationLink $link)
    {
    }

    /** Also where the publication is paused, or what was there was taken back; null where there never was anything. */
    public static function find(string $text): ?self
    {
        $digest = SecretToken::digest($text);
        $publication = Publication::query()->with(Publication::TO_READ)
            ->where(fn ($query) => $query->where('slug', $text)->orWhere('token_hash', $digest)->orWhere('former_hash', $digest))->get()
            // The database takes capitals for the same as small letters.
            ->first(static fn (Publication $each): bool => $each->slug === $text || in_array($digest, [$each->token_hash, $each->former_hash], true));
        if ($publication !== null) {
            return new self($text, $publication, null);
        }
        $link = PublicationLink::query()->with('publication', fn ($query) => $query->with(Publication::TO_READ))->where('token_hash', $digest)->first();

        return $link === null ? null : new self($text, $link->publication, $link);
    }

    /** Whether it opens what is published as a page, and as files. A screen's shows a screen and nothing else, so that who reads it off a wall has no more. */
    public function isForReaders(): bool
    {
        return $this->link?->purpose !== LinkPurpose::Screen;
    }

    public function isForScreen(): bool
    {
        return $this->link?->purpose === LinkPurpose::Screen;
    }

    public function url(): string
    {
        return url("/p/{$this->text}");
    }

    /** Whether what was there has been given up, or it has another address by now. */
    public function isGone(): bool
    {
        return $this->publication->ended_at !== null || $this->link?->ended_at !== null || ($this->isFormer() && $this->publication->former_until?->isPast() !== false);
    }

    /** Since when that is; of an address that was renewed also when it will be. */
    public function goneSince(): ?Carbon
    {
        return $this->publication->ended_at ?? $this->link->ended_at ?? ($this->isFormer() ? $this->publication->former_until : null);
    }

    private function isFormer(): bool
    {
        return $this->publication->former_hash === SecretToken::digest($this->text);
    }
}
