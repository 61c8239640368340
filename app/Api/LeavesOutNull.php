<?php

namespace App\Api;

/** Of an answer with properties that are not always told: those are left out where they are null. */
trait LeavesOutNull
{
    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $told = get_object_vars($this);
        foreach (self::optional() as $name) {
            if ($told[$name] === null) {
                unset($told[$name]);
            }
        }

        return $told;
    }

    /** @return list<string> */
    private static function optional(): array
    {
        static $names = null;

        return $names ??= array_values(array_map(
            static fn (\ReflectionParameter $each): string => $each->name,
            array_filter((new \ReflectionMethod(self::class, '__construct'))->getParameters(), static fn (\ReflectionParameter $each): bool => $each->isOptional()),
        ));
    }
}
