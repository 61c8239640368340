<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** Mail addresses in pasted text, in whatever way they are parted: lines, commas, semicolons, `Name <address>`. */
final readonly class AddressList
{
    /**
     * @param  list<string>  $addresses  in lower case, each once, in the order in which they are met
     * @param  list<string>  $rest  lines and parts in which there is no address
     */
    private function __construct(public array $addresses, public array $rest)
    {
    }

    public static function read(string $text): self
    {
        $addresses = $rest = [];
        foreach (preg_split('/[\r\n,;]+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $part = trim($part);
            if (preg_match_all('/[^\s<>()"\'\[\]]+@[^\s<>()"\'\[\]]+/', $part, $found) > 0) {
                foreach ($found[0] as $address) {
                    $address = mb_strtolower(rtrim($address, '.:'));
                    if (filter_var($address, FILTER_VALIDATE_EMAIL) === false) {
                        $rest[] = $address;
                    } elseif (! in_array($address, $addresses, true)) {
                        $addresses[] = $address;
                    }
                }
            } elseif ($part !== '') {
                $rest[] = $part;
            }
        }

        return new self($addresses, array_values(array_unique($rest)));
    }
}
