<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Lending\CardReach;
use FigPorch\Core\Catalogue\Format;

/** What a person asks of the catalogue. */
final readonly class CatalogueSearch
{
    public const ORDERS = ['relevance', 'newest', 'most_borrowed', 'title'];

    public string $order;

    public function __construct(
        public int $libraryId,
        public string $words = '',
        public ?Format $format = null,
        public bool $readyNow = false,
        public ?int $staffListId = null,
        string $order = '',
        public CardReach $reach = new CardReach,
    ) {
        $natural = $words !== '' ? 'relevance' : 'newest';
        $this->order = in_array($order, self::ORDERS, true) && ($order !== 'relevance' || $words !== '') ? $order : $natural;
    }

    /**
     * The same search with other filters, as a query string's values.
     *
     * @param  array<string, string|null>  $changes  null takes a value away
     * @return array<string, string>
     */
    public function with(array $changes): array
    {
        return array_filter([
            'q' => $this->words,
            'format' => $this->format?->value,
            'ready' => $this->readyNow ? '1' : null,
            'list' => $this->staffListId === null ? null : (string) $this->staffListId,
            'order' => $this->order,
            ...$changes,
        ], fn (?string $value): bool => $value !== null && $value !== '');
    }
}
