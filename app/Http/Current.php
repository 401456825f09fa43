<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use App\Queries\Account\HeadOfPage;
use App\Queries\Lending\Rules;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanTerms;
use Illuminate\Database\Eloquent\Collection;
use stdClass;

/** Who is here, and in which library, during one request. */
final class Current
{
    public ?Library $library = null;

    public ?Person $person = null;

    /** @var Collection<int, Library>|null */
    private ?Collection $libraries = null;

    private ?Card $card = null;

    /** @var array{Library, Collection<int, Card>}|null where the card is, and among which */
    private ?array $cardFor = null;

    public function __construct(
        private readonly Rules $rules,
        private readonly HeadOfPage $headOfPage,
    ) {
    }

    /** @return stdClass|null as HeadOfPage gives it */
    public function head(): ?stdClass
    {
        return $this->person === null ? null : $this->headOfPage->of($this->person, now());
    }

    /** The limits of the card here, for most formats. */
    public function terms(): ?LoanTerms
    {
        $card = $this->card();

        return $card === null ? null : $this->rules->terms($card->library_id, $card->patron_group, Format::Ebook);
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
