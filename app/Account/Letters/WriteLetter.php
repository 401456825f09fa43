<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Models\Library;
use App\Models\Person;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Somebody writes to a library, or once more in the same letter. */
final class WriteLetter
{
    /** @param  array{name: string, email: string|null, about: string, text: string}  $facts */
    public function begin(
        Library $library,
        ?Person $person,
        string $locale,
        array $facts,
        DateTimeImmutable $now,
    ): Letter {
        return DB::transaction(function () use ($library, $person, $locale, $facts, $now): Letter {
            $letter = Letter::query()->create([
                'library_id' => $library->id,
                'person_id' => $person?->id,
                'name' => $person->name ?? $facts['name'],
                'email' => $person === null ? $facts['email'] : null,
                'locale' => $locale,
                'about' => $facts['about'],
                'last_at' => Sql::second($now),
            ]);
            $this->add($letter, $facts['text'], $now);

            return $letter;
        });
    }

    public function goOn(Letter $letter, string $text, DateTimeImmutable $now): void
    {
        DB::transaction(fn() => $this->add($letter, $text, $now));
    }

    private function add(Letter $letter, string $text, DateTimeImmutable $now): void
    {
        $letter->update(['waits' => true, 'last_at' => Sql::second($now)]);
        $letter->parts()->create(['by_staff' => false, 'text' => $text, 'written_at' => Sql::second($now)]);
    }
}
