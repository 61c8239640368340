<?php

namespace App\Upkeep\Checks;

use App\Upkeep\Check;
use App\Upkeep\Finding;

/** The extensions of PHP, as this command has it. */
final class PhpCheck implements Check
{
    private const EXTENSIONS = ['ctype' => 'php8.2-common', 'curl' => 'php8.2-curl', 'dom' => 'php8.2-xml', 'fileinfo' => 'php8.2-common', 'intl' => 'php8.2-intl', 'mbstring' => 'php8.2-mbstring', 'openssl' => 'php8.2-common', 'pdo_mysql' => 'php8.2-mysql'];

    /** @param  ?list<string>  $extensions  that are loaded; null: look */
    public function __construct(private readonly ?array $extensions = null)
    {
    }

    public function findings(): iterable
    {
        $loaded = $this->extensions ?? array_map(strtolower(...), get_loaded_extensions());
        foreach (self::EXTENSIONS as $extension => $package) {
            if (! in_array($extension, $loaded, true)) {
                yield new Finding("The PHP extension {$extension} is missing.", "apt-get install {$package}, then restart php8.2-fpm and the workers.");
            }
        }
    }
}
