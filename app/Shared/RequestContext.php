<?php

declare(strict_types=1);

namespace App\Shared;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Illuminate\Database\Eloquent\Collection;

/** Who is here, and in which library, during one request. */
final class RequestContext
{
    public ?Library $library = null;

    public ?Person $person = null;

    /** @var Collection<int, Library>|null */
    private ?Collection $libraries = null;

    private ?Card $card = null;

    /** @var array{Library, Collection<int, Card>}|null where the card is, and among which */
    private ?array $cardFor = null;

    /** The person's card at the current library. */
    public function card(): ?Card
    {
        if ($this->library === null || $this->person === null) {
            return null;
        }
        // Asked for with every row of a list.
        if ($this->cardFor !== [$this->library, $this->person->cards]) {
            $this->cardFor = [$this->library, $this->person->cards];
            $this->card = $this->person->cardAt($this->library);
        }

        return $this->card;
    }

    /** @return Collection<int, Library> */
    public function libraries(): Collection
    {
        return $this->libraries ??= Library::query()->orderBy('name')->get();
    }

    /** Who has signed in; only behind "auth:web". */
    public function requiredPerson(): Person
    {
        return $this->person ?? abort(401);
    }

    /** The library whose pages are being looked at; only behind RequireLibrary. */
    public function requiredLibrary(): Library
    {
        return $this->library ?? abort(404);
    }
}
