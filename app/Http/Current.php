<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Illuminate\Database\Eloquent\Collection;

/** Who is here, and in which library, during one request. */
final class Current
{
    public ?Library $library = null;

    public ?Person $person = null;

    /** @var Collection<int, Library>|null */
    private ?Collection $libraries = null;

    /** The person's card at the current library. */
    public function card(): ?Card
    {
        return $this->library === null ? null : $this->person?->cardAt($this->library);
    }

    /** @return Collection<int, Library> */
    public function libraries(): Collection
    {
        return $this->libraries ??= Library::query()->orderBy('name')->get();
    }

    /** The library whose pages are being looked at; only behind RequireLibrary. */
    public function requiredLibrary(): Library
    {
        return $this->library ?? abort(404);
    }
}
