<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** What somebody typed, and how it was read. */
final readonly class Query
{
    /**
     * @param  Node|null  $tree  null where there is nothing to look for
     * @param  Refusal|null  $refusal  why it could not be read as typed; its words alone are looked for then
     * @param  bool  $cut  it was too long, and its end was left out
     */
    public function __construct(public ?Node $tree, public ?Refusal $refusal = null, public bool $cut = false) {}

    public function text(): string
    {
        return $this->tree?->text() ?? '';
    }

    /** @return list<string> the words that are looked for in any form, not those that are ruled out */
    public function words(): array
    {
        $words = array_map(fn(Term $term): array => $term->words, $this->tree?->terms() ?? []);

        return array_values(array_unique(array_merge(...$words)));
    }
}
