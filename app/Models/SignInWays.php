<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Account\SchoolSignIn;

/**
 * How a library lets its patrons in; without a row, by number and PIN of its own cards.
 *
 * @property int $library_id
 * @property bool $with_cards number and PIN
 * @property array<mixed>|null $system as LibrarySystem reads it
 * @property array<mixed>|null $school as SchoolSignIn reads it
 */
final class SignInWays extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'sign_in_ways';

    protected $primaryKey = 'library_id';

    protected $guarded = [];

    protected $hidden = ['system', 'school'];

    protected $casts = ['with_cards' => 'boolean', 'system' => 'encrypted:array', 'school' => 'encrypted:array'];

    protected $attributes = ['with_cards' => true];

    public static function of(Library $library): self
    {
        return self::query()->find($library->id) ?? new self(['library_id' => $library->id]);
    }

    public function librarySystem(): ?LibrarySystem
    {
        return $this->system === null ? null : LibrarySystem::fromArray($this->system);
    }

    public function schoolSignIn(): ?SchoolSignIn
    {
        return $this->school === null ? null : SchoolSignIn::fromArray($this->school);
    }
}
