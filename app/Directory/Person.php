<?php

namespace App\Directory;

use App\SecondFactor\SecondFactor;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Foundation\Auth\User;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Directory\Role;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property ?string $password null until they have come in for the first time
 * @property string $timezone
 * @property Role $role
 * @property string $status active, suspended or left
 * @property string $post
 * @property ?list<array{day: string, from: string, to: string}> $working_hours
 * @property ?Carbon $invited_at
 * @property string $quiet_hours at which they are not written to about what can wait, such as “22-7”; empty where those of the site hold
 * @property bool $invitations_by_mail whether what they are asked to, or are to prepare, comes by mail, too
 */
final class Person extends User
{
    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected $attributes = ['password' => null, 'role' => 'member', 'status' => 'active', 'post' => '', 'working_hours' => null, 'invited_at' => null, 'invitations_by_mail' => true, 'quiet_hours' => ''];

    /**
     * Those in whose name, post or address each of these words is.
     *
     * @return Builder<self>
     */
    public static function searched(string $words): Builder
    {
        $query = self::query();
        foreach (preg_split('/\s+/', trim($words), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $pattern = '%'.addcslashes($word, '%_\\').'%';
            $query->where(fn ($any) => $any->where('name', 'like', $pattern)->orWhere('post', 'like', $pattern)->orWhere('email', 'like', $pattern));
        }

        return $query;
    }

    /** @return BelongsToMany<Group, $this> */
    public function groups(): BelongsToMany
    {
        return $this->belongsToMany(Group::class, 'group_person', 'person_id', 'group_id');
    }

    /** @return HasOne<SecondFactor, $this> */
    public function secondFactor(): HasOne
    {
        return $this->hasOne(SecondFactor::class);
    }

    public function isAdministrator(): bool
    {
        return $this->role === Role::Administrator;
    }

    /** Whether they have set a password; who was only invited has not. */
    public function hasComeIn(): bool
    {
        return $this->password !== null;
    }

    public function isActive(): bool
    {
        return $this->status === 'active';
    }

    protected function casts(): array
    {
        return ['role' => Role::class, 'password' => 'hashed', 'working_hours' => 'array', 'invited_at' => 'datetime', 'invitations_by_mail' => 'boolean'];
    }
}
