<?php

namespace App\Overlays;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Overlay\ColouredBy;

/**
 * A kept composition of layers.
 *
 * @property int $id
 * @property string $slug
 * @property string $name
 * @property string $opening_view
 * @property ?array{columns: list<string>, sort: string, descending: bool, period: string} $opening_table
 * @property SubjectKind $keeper_kind
 * @property int $keeper_id
 * @property bool $every_layer
 * @property ColouredBy $coloured_by
 * @property ?int $home_of  the person who begins with it
 * @property int $version
 */
final class Overlay extends Model
{
    use SoftDeletes;

    /** How it can open. */
    public const VIEWS = [...Sheet::VIEWS, 'table'];

    protected $guarded = [];

    protected $attributes = ['opening_view' => 'lanes', 'every_layer' => false, 'coloured_by' => 'layer', 'home_of' => null, 'version' => 1];

    /** @return HasMany<LayerRecord, $this> in order */
    public function layers(): HasMany
    {
        return $this->hasMany(LayerRecord::class)->orderBy('position');
    }

    public function keeper(): Subject
    {
        return new Subject($this->keeper_kind, $this->keeper_id);
    }

    protected function casts(): array
    {
        return ['keeper_kind' => SubjectKind::class, 'keeper_id' => 'integer', 'every_layer' => 'boolean', 'coloured_by' => ColouredBy::class, 'home_of' => 'integer', 'opening_table' => 'array'];
    }
}
