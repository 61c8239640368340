<?php

namespace App\Directory;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property string $timezone
 * @property string $role administrator or member
 * @property string $status active, suspended or left
 * @property string $post
 */
final class Person extends User
{
    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsToMany<Group, $this> */
    public function groups(): BelongsToMany
    {
        return $this->belongsToMany(Group::class, 'group_person', 'person_id', 'group_id');
    }

    public function isAdministrator(): bool
    {
        return $this->role === 'administrator';
    }

    public function isActive(): bool
    {
        return $this->status === 'active';
    }

    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}
