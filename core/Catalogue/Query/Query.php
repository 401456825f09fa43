<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** What somebody typed, and how it was read. */
final readonly class Query
{
    /**
     * @param  Node|null  $tree  null where there is nothing to look for
     * @param  bool  $plain  it could not be read as typed, so its words alone are looked for
     * @param  bool  $cut  it was too long, and its end was left out
     */
    public function __construct(public ?Node $tree, public bool $plain = false, public bool $cut = false) {}

    public function text(): string
    {
        return $this->tree?->text() ?? '';
    }

    /** @return list<string> the words that are looked for in any form, not those that are ruled out */
    public function words(): array
    {
        return $this->tree === null ? [] : array_values(array_unique(self::wordsOf($this->tree)));
    }

    /** @return list<string> */
    private static function wordsOf(Node $node): array
    {
        return match (true) {
            $node instanceof Term => $node->words,
            $node instanceof All, $node instanceof Any => array_merge(...array_map(self::wordsOf(...), $node->parts)),
            default => [],
        };
    }
}
