<?php

namespace App\Frames;

use App\Organisation\Organisation;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Publishing\FrameSite;
use PinnedRota\Core\Publishing\InvalidSite;

/** The sites on which the organisation lets its people sign in within a frame, as its administrators name them. */
final class FrameSites
{
    public function __construct(private readonly Organisation $organisation)
    {
    }

    /** @return list<string> their origins */
    public function all(): array
    {
        return $this->organisation->settings()->frameSites;
    }

    /**
     * @param  array<array-key, string>  $told  addresses as people copy them
     * @param  string  $field  to which what is wrong is told
     * @return list<string> their origins, each once
     *
     * @throws ValidationException
     */
    public static function origins(array $told, string $field): array
    {
        try {
            return array_values(array_unique(array_map(static fn (string $each): string => FrameSite::of($each)->origin, array_values($told))));
        } catch (InvalidSite $problem) {
            throw ValidationException::withMessages([$field => $problem->getMessage()]);
        }
    }

    /** One of the frames that stand on them; null where it was taken back, what it shows is no more, or no site is named. */
    public function find(string $key): ?MemberFrame
    {
        if ($this->all() === []) {
            return null;
        }

        return MemberFrame::query()->with(['calendar', 'overlay'])->where('key', $key)->where(fn ($query) => $query->whereHas('calendar')->orWhereHas('overlay'))->first();
    }
}
