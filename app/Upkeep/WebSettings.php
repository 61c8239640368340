<?php

namespace App\Upkeep;

/** PHP as whoever uses the site meets it. */
final readonly class WebSettings
{
    /**
     * @param  string  $home  the instance that is served
     * @param  string  $owner  as whom PHP runs
     * @param  int  $upload  how large a file may be, in bytes
     * @param  int  $post  how large all that is sent at once may be, in bytes
     * @param  int  $memory  that one request may use, in bytes; -1: all
     * @param  bool  $compiled  whether what was compiled is kept
     * @param  bool  $secure  whether what was asked counts as encrypted
     */
    public function __construct(
        public string $home,
        public string $owner,
        public int $upload,
        public int $post,
        public int $memory,
        public bool $compiled,
        public bool $secure,
    ) {
    }

    public static function here(bool $secure): self
    {
        return new self(
            dirname(storage_path()),
            posix_getpwuid(posix_geteuid())['name'] ?? (string) posix_geteuid(),
            ini_parse_quantity((string) ini_get('upload_max_filesize')),
            ini_parse_quantity((string) ini_get('post_max_size')),
            ini_parse_quantity((string) ini_get('memory_limit')),
            filter_var(ini_get('opcache.enable'), FILTER_VALIDATE_BOOL),
            $secure,
        );
    }
}
