<?php

namespace App\SecondFactor;

use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Person;
use App\Organisation\Organisation;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\SecondFactor\OneTimePassword;
use PinnedRota\Core\SecondFactor\RecoveryCodes;

/** Sets second factors up, asks for them, and takes them away; what is changed is written down. */
final class SecondFactors
{
    public function __construct(private readonly Organisation $organisation)
    {
    }

    /** Whether the organisation asks one of somebody. */
    public function isNeeded(Person $person): bool
    {
        return $person->isAdministrator() && $this->organisation->settings()->administratorsNeedSecondFactor;
    }

    /** Whether somebody has none of whom the organisation asks one: they are no administrator until they have. */
    public function isMissing(Person $person): bool
    {
        return $this->isNeeded($person) && ! $this->has($person);
    }

    public function has(Person $person): bool
    {
        return SecondFactor::query()->where('person_id', $person->id)->whereNotNull('confirmed_at')->exists();
    }

    /** Begins to set one up: it is asked for once the first password of it was typed. One that holds goes on until then. */
    public function begin(Person $person): OneTimePassword
    {
        $password = OneTimePassword::generate();
        SecondFactor::query()->updateOrCreate(['person_id' => $person->id], ['secret' => $password->text(), 'confirmed_at' => null, 'last_step' => null]);

        return $password;
    }

    /** @return ?list<string> recovery codes, which are told this once; null where the password is another, or nothing was begun */
    public function confirm(Person $person, string $code): ?array
    {
        return DB::transaction(function () use ($person, $code): ?array {
            $factor = SecondFactor::query()->whereNull('confirmed_at')->lockForUpdate()->find($person->id);
            $step = $factor === null ? null : OneTimePassword::ofText($factor->secret)->accepts($code, now()->getTimestamp());
            if ($factor === null || $step === null) {
                return null;
            }
            $factor->update(['confirmed_at' => now(), 'last_step' => $step]);
            ChangeLog::person($person, $person, ['second factor' => false], ['second factor' => true]);
            Change::ofAccess([$person->id]);

            return $this->newCodes($person);
        });
    }

    /** Whether this is what their authenticator shows, or a recovery code that was not used yet: it is used now. */
    public function takes(Person $person, string $code): bool
    {
        return DB::transaction(function () use ($person, $code): bool {
            $factor = SecondFactor::query()->whereNotNull('confirmed_at')->lockForUpdate()->find($person->id);
            if ($factor === null) {
                return false;
            }
            if (RecoveryCodes::looksLikeOne($code)) {
                return DB::table('recovery_codes')->where('person_id', $person->id)->where('digest', RecoveryCodes::digest($code))->whereNull('used_at')->update(['used_at' => now()]) === 1;
            }
            $step = OneTimePassword::ofText($factor->secret)->accepts($code, now()->getTimestamp(), $factor->last_step);
            if ($step === null) {
                return false;
            }
            $factor->update(['last_step' => $step]);

            return true;
        });
    }

    /** @return list<string> new recovery codes; those from before hold no more */
    public function newCodes(Person $person): array
    {
        return DB::transaction(function () use ($person): array {
            $codes = RecoveryCodes::generate();
            DB::table('recovery_codes')->where('person_id', $person->id)->delete();
            DB::table('recovery_codes')->insert(array_map(static fn (string $code): array => ['person_id' => $person->id, 'digest' => RecoveryCodes::digest($code)], $codes));

            return $codes;
        });
    }

    public function codesLeft(Person $person): int
    {
        return DB::table('recovery_codes')->where('person_id', $person->id)->whereNull('used_at')->count();
    }

    /** @return bool whether there was one */
    public function end(Person $person, Person $by): bool
    {
        return DB::transaction(function () use ($person, $by): bool {
            DB::table('recovery_codes')->where('person_id', $person->id)->delete();
            $had = $this->has($person);
            SecondFactor::query()->whereKey($person->id)->delete();
            if ($had) {
                ChangeLog::person($person, $by, ['second factor' => true], ['second factor' => false]);
                Change::ofAccess([$person->id]);
            }

            return $had;
        });
    }
}
