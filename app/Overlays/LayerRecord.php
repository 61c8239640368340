<?php

namespace App\Overlays;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/**
 * A layer as it is stored, with how it is drawn.
 *
 * @property int $id
 * @property int $overlay_id
 * @property int $position
 * @property string $name
 * @property Colour $colour
 * @property Mark $mark
 * @property Pattern $pattern
 * @property array{conditions?: list<array<string, mixed>>} $filter
 * @property string $takes chosen calendars, all that the viewer has on their list, a group’s, all that the other layers have, or the rest: everything else
 * @property ?int $group_id
 */
final class LayerRecord extends Model
{
    protected $table = 'layers';

    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['takes' => 'chosen', 'group_id' => null, 'pattern' => 'plain'];

    /**
     * A layer that was sent and found fit, as it is stored.
     *
     * @param  array<string, mixed>  $values  as LayerInput has them
     * @return array<string, mixed>
     */
    public static function columns(array $values): array
    {
        return [
            'name' => $values['name'], 'colour' => $values['colour'], 'mark' => $values['mark'], 'pattern' => $values['pattern'] ?? 'plain',
            'takes' => $values['takes'] ?? 'chosen', 'group_id' => ($values['takes'] ?? '') === 'group' ? $values['group'] : null,
            'filter' => ['conditions' => $values['conditions']],
        ];
    }

    /** @return BelongsToMany<Calendar, $this> */
    public function calendars(): BelongsToMany
    {
        return $this->belongsToMany(Calendar::class, 'calendar_layer', 'layer_id', 'calendar_id');
    }

    /** @return list<array<string, mixed>> */
    public function conditions(): array
    {
        return $this->filter['conditions'] ?? [];
    }

    protected function casts(): array
    {
        return ['colour' => Colour::class, 'mark' => Mark::class, 'pattern' => Pattern::class, 'filter' => 'array'];
    }
}
