<?php

declare(strict_types=1);

namespace App\Shared;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/** Who is here, and in which library, during one request. */
final class RequestContext
{
    public ?Library $library = null;

    /** What an address names as a library and is none here. */
    public ?string $unknownLibrary = null;

    public ?Person $person = null;

    /** @var Collection<int, Library>|null */
    private ?Collection $libraries = null;

    private ?Card $card = null;

    /** @var array{Library, Collection<int, Card>}|null where the card is, and among which */
    private ?array $cardFor = null;

    /** This moment on the library's clock. */
    public function now(): CarbonImmutable
    {
        return CarbonImmutable::now($this->library?->zone());
    }

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

    /**
     * An address of ours with the library in it, where there is more than one.
     *
     * @param  string  $path  with its query string, if it has one
     * @param  Library|null  $library  another than the one whose pages are being looked at
     */
    public function link(string $path, ?Library $library = null): string
    {
        $named = http_build_query($this->inAddress($library));

        return $named === '' ? $path : $path . (str_contains($path, '?') ? '&' : '?') . $named;
    }

    /** @return array{library?: string} the library as a value of a query string, where there is more than one */
    public function inAddress(?Library $library = null): array
    {
        $library ??= $this->library;

        return $library === null || $this->libraries()->count() < 2 ? [] : ['library' => $library->slug];
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
