<?php

namespace App\Overlays;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Mark;

/**
 * A layer as it is stored, with how it is drawn.
 *
 * @property int $id
 * @property int $overlay_id
 * @property int $position
 * @property string $name
 * @property Colour $colour
 * @property Mark $mark
 * @property array{anyCategory?: list<string>} $filter
 */
final class LayerRecord extends Model
{
    protected $table = 'layers';

    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsToMany<Calendar, $this> */
    public function calendars(): BelongsToMany
    {
        return $this->belongsToMany(Calendar::class, 'calendar_layer', 'layer_id', 'calendar_id');
    }

    public function toFilter(): Filter
    {
        return new Filter($this->filter['anyCategory'] ?? []);
    }

    protected function casts(): array
    {
        return ['colour' => Colour::class, 'mark' => Mark::class, 'filter' => 'array'];
    }
}
