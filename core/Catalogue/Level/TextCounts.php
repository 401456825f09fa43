<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Level;

/** What the formulas of reading level count in a text. */
final readonly class TextCounts
{
    public function __construct(public int $words, public int $sentences, public int $syllables, public int $letters) {}

    /** Of a text in English. */
    public static function of(string $text): self
    {
        preg_match_all("/\p{L}[\p{L}\p{Mn}]*(?:['’]\p{L}+)*/u", $text, $found);
        $words = $found[0];
        $letters = $syllables = 0;
        foreach (array_count_values($words) as $word => $times) {
            $letters += $times * (int) preg_match_all('/\p{L}/u', (string) $word);
            $syllables += $times * Syllables::of((string) $word);
        }

        return new self(count($words), $words === [] ? 0 : max(1, self::sentences($text)), $syllables, $letters);
    }

    public function plus(self $other): self
    {
        return new self(
            $this->words + $other->words,
            $this->sentences + $other->sentences,
            $this->syllables + $other->syllables,
            $this->letters + $other->letters,
        );
    }

    /** Ends of sentences, and of paragraphs without one: headings count. Titles and initials end none. */
    private static function sentences(string $text): int
    {
        $text = (string) preg_replace('/\b(?:Mr|Mrs|Ms|Dr|St|Prof|Capt|No|vs|etc|\p{Lu})\./u', '', $text);
        $count = 0;
        foreach ((array) preg_split('/\R\s*\R/u', $text) as $paragraph) {
            $ends = (int) preg_match_all('/\p{L}[^.!?…]*[.!?…]+/u', (string) $paragraph, $m);
            $rest = (string) preg_replace('/^.*[.!?…]/su', '', (string) $paragraph);
            $count += $ends + (preg_match('/\p{L}/u', $rest) === 1 ? 1 : 0);
        }

        return $count;
    }
}
