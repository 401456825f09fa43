<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User;

/**
 * @property int $id
 * @property string $name
 * @property string|null $email
 * @property string $locale
 * @property bool $keeps_history
 * @property-read Collection<int, Card> $cards
 */
final class Person extends User
{
    public $timestamps = false;

    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['remember_token'];

    protected $casts = ['keeps_history' => 'boolean'];

    /** @return HasMany<Card, $this> */
    public function cards(): HasMany
    {
        return $this->hasMany(Card::class);
    }

    public function cardAt(Library $library): ?Card
    {
        return $this->cards->firstWhere('library_id', $library->id);
    }
}
