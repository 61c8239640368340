<?php

namespace App\SecondFactor;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What somebody signs in by besides a password: an authenticator that shares a secret with us.
 *
 * @property int $person_id
 * @property string $secret in Base32
 * @property ?Carbon $confirmed_at null until the first password of it was typed: it is not asked for before
 * @property ?int $last_step whose password was taken last
 */
final class SecondFactor extends Model
{
    protected $primaryKey = 'person_id';

    public $incrementing = false;

    protected $guarded = [];

    protected $hidden = ['secret'];

    protected $attributes = ['confirmed_at' => null, 'last_step' => null];

    protected function casts(): array
    {
        return ['secret' => 'encrypted', 'confirmed_at' => 'datetime'];
    }
}
