<?php

namespace App\Directory;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property string $name
 */
final class Group extends Model
{
    protected $guarded = [];

    /** @return BelongsToMany<Person, $this> */
    public function people(): BelongsToMany
    {
        return $this->belongsToMany(Person::class, 'group_person', 'group_id', 'person_id');
    }

    /** @return BelongsToMany<Group, $this> the groups in it */
    public function groups(): BelongsToMany
    {
        return $this->belongsToMany(self::class, 'group_group', 'group_id', 'member_id');
    }
}
