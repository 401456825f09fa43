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
 * @property string|null $calendar_key secret part of the address of the calendar of due dates
 * @property array<string, string>|null $pins filters kept for the next search
 * @property array<string, mixed>|null $rooms how each room opens for them
 * @property array{covers: bool, by_work: bool}|null $results how they like to see what a search finds
 * @property array<string, string>|null $reading how text looks on devices that have nothing of their own
 * @property array<string, string>|null $colour_names their own, of colours of highlights
 * @property list<string>|null $ask_on_mobile what is not fetched over mobile data unasked
 * @property array{minutes?: int, titles?: int}|null $goals of their own
 * @property bool $toured
 * @property bool $shows_older lists titles that their card may never borrow, too
 * @property-read Collection<int, Card> $cards
 */
final class Person extends User
{
    public $timestamps = false;

    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['remember_token', 'calendar_key'];

    protected $casts = [
        'keeps_history' => 'boolean',
        'pins' => 'array',
        'rooms' => 'array',
        'results' => 'array',
        'reading' => 'array',
        'colour_names' => 'array',
        'ask_on_mobile' => 'array',
        'goals' => 'array',
        'toured' => 'boolean',
        'shows_older' => 'boolean',
    ];

    /** @return HasMany<Card, $this> the one that is put first, then as they came */
    public function cards(): HasMany
    {
        return $this->hasMany(Card::class)->chaperone('person')->orderByDesc('is_first')->orderBy('id');
    }

    /**
     * Hangs this person's cards, with their libraries, on loans or holds of theirs.
     *
     * @param  iterable<Loan|Hold>  $items
     */
    public function giveCardsTo(iterable $items): void
    {
        $cards = $this->cards->loadMissing('library')->keyBy('id');
        foreach ($items as $item) {
            $item->setRelation('card', $cards[$item->card_id]);
        }
    }

    public function cardAt(Library $library): ?Card
    {
        return $this->cards->firstWhere('library_id', $library->id);
    }
}
