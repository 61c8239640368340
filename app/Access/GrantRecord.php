<?php

namespace App\Access;

use Illuminate\Database\Eloquent\Model;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/**
 * A grant as it is stored; 0 stands for the id of everyone and the public.
 *
 * @property int $id
 * @property string $on_kind calendar or overlay
 * @property int $on_id
 * @property SubjectKind $subject_kind
 * @property int $subject_id
 * @property Level $level
 */
final class GrantRecord extends Model
{
    protected $table = 'grants';

    protected $guarded = [];

    public function toGrant(): Grant
    {
        return new Grant(new Subject($this->subject_kind, $this->subject_id === 0 ? null : $this->subject_id), $this->level);
    }

    protected function casts(): array
    {
        return ['subject_kind' => SubjectKind::class, 'level' => Level::class];
    }
}
