<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

/** Something that may be meant by what is being typed. */
final readonly class Suggestion
{
    /**
     * @param  'title'|'series'|'subject'|string  $kind  or the role of a person
     * @param  int  $count  titles it leads to
     * @param  array<string, string>  $search  as a query string's values; empty for a title
     */
    public function __construct(
        public string $kind,
        public string $label,
        public int $count,
        public array $search = [],
        public ?int $titleId = null,
        public ?string $format = null,
        public ?string $edition = null,
        public ?string $language = null,
    ) {}
}
