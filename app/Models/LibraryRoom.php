<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Room;

/**
 * A room as a library has arranged it.
 *
 * @property int $id
 * @property int $library_id
 * @property string $slug
 * @property array<string, string> $names
 * @property array<string, string> $about
 * @property Audience|null $audience
 * @property list<array{int, int}> $ages
 * @property int $position
 */
final class LibraryRoom extends Model
{
    public $timestamps = false;

    protected $table = 'rooms';

    protected $guarded = [];

    protected $casts = ['names' => 'array', 'about' => 'array', 'audience' => Audience::class, 'ages' => 'array'];

    public function room(): Room
    {
        return new Room($this->slug, $this->names, $this->about, $this->audience, $this->ages);
    }
}
