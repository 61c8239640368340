<?php

namespace App\Publishing;

/** How a publication looks in a frame on another site, as the address of the frame says. */
final readonly class FrameLook
{
    /** In which dates can be written there. */
    public const LANGUAGES = ['en', 'cs', 'da', 'de', 'es', 'fi', 'fr', 'it', 'nb', 'nl', 'pl', 'pt', 'sv'];

    /**
     * @param  'auto'|'light'|'dark'  $look  auto: as the device of whoever looks
     * @param  string  $accent  the colour of the site, `1d5a8c`; none is ours
     * @param  string  $language  of dates
     * @param  bool  $opensAnew  whether what is opened comes in a window of its own, and not in place of the site
     */
    private function __construct(public string $look, public string $accent, public string $language, public bool $opensAnew)
    {
    }

    /** @param  array<array-key, mixed>  $query */
    public static function of(array $query): self
    {
        $one = static fn (string $name, array $of): string => in_array($query[$name] ?? null, $of, true) ? $query[$name] : $of[0];
        $accent = is_string($query['accent'] ?? null) ? strtolower(ltrim($query['accent'], '#')) : '';

        return new self($one('look', ['auto', 'light', 'dark']), preg_match('/^[0-9a-f]{6}$/D', $accent) === 1 ? $accent : '', $one('language', self::LANGUAGES), ($query['opens'] ?? '') !== 'here');
    }

    public function query(): string
    {
        return http_build_query($this->parts());
    }

    /** @return array<string, string> as the address says it; what goes without saying is left out */
    public function parts(): array
    {
        return array_filter([
            'look' => $this->look === 'auto' ? '' : $this->look, 'accent' => $this->accent, 'language' => $this->language === 'en' ? '' : $this->language, 'opens' => $this->opensAnew ? '' : 'here',
        ]);
    }

    /** Where links out of the frame open (HTML, browsing context names). */
    public function target(): string
    {
        return $this->opensAnew ? '_blank' : '_top';
    }
}
