<?php

namespace App\Publishing;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Publishing\LinkPurpose;

/**
 * A secret link to a publication besides its address, for one person or one screen; taken back alone.
 *
 * @property int $id
 * @property int $publication_id
 * @property LinkPurpose $purpose
 * @property string $name of whom or what it is for
 * @property string $token
 * @property string $token_hash
 * @property ?Carbon $last_read_at of a screen alone: of people nothing is kept
 * @property ?Carbon $ended_at
 * @property Carbon $created_at
 * @property Publication $publication
 */
final class PublicationLink extends Model
{
    protected $guarded = [];

    protected $attributes = ['last_read_at' => null, 'ended_at' => null];

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    public function url(): string
    {
        return url("/p/{$this->token}".($this->purpose === LinkPurpose::Screen ? '/screen' : ''));
    }

    protected function casts(): array
    {
        return ['purpose' => LinkPurpose::class, 'token' => 'encrypted', 'publication_id' => 'integer', 'last_read_at' => 'datetime', 'ended_at' => 'datetime'];
    }
}
