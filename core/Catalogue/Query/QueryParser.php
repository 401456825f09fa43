<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\SearchWords;

/**
 * Reads what somebody typed. All words must match; "quotes" are a phrase, word* a beginning; OR, NOT or a leading
 * minus, brackets, and fields such as author: or year:2015-2020. What cannot be read so is read as plain words.
 */
final class QueryParser
{
    private const MOST_CHARACTERS = 400;

    private const MOST_TERMS = 32;

    private const DEEPEST = 12;

    /** @var list<array{string, string}> kind and text */
    private array $tokens;

    private int $at = 0;

    private int $terms = 0;

    private int $depth = 0;

    private function __construct(string $typed)
    {
        $this->tokens = Lexer::tokens($typed);
    }

    public static function read(string $typed): Query
    {
        $typed = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($typed)));
        $cut = mb_strlen($typed) > self::MOST_CHARACTERS;
        $typed = mb_substr($typed, 0, self::MOST_CHARACTERS);
        try {
            $parser = new self($typed);
            $tree = $parser->any();
            if ($parser->at < count($parser->tokens)) {
                throw new Unreadable();
            }

            return new Query($tree, cut: $cut);
        } catch (Unreadable) {
            return new Query(self::plain($typed), plain: true, cut: $cut);
        }
    }

    /** Every word in it, whatever stands between. */
    private static function plain(string $typed): ?Node
    {
        $words = (string) preg_replace('/(?<!\S)(AND|OR|NOT)(?!\S)/', ' ', $typed);
        $terms = array_map(
            fn(string $word): Term => new Term([$word]),
            array_slice(SearchWords::of($words), 0, self::MOST_TERMS),
        );

        return self::together($terms);
    }

    private function any(): ?Node
    {
        $parts = [];
        do {
            $part = $this->all();
            if ($part !== null) {
                $parts[] = $part;
            }
            $or = $this->is('word', 'OR');
            if ($or) {
                if ($part === null) {
                    throw new Unreadable();
                }
                $this->at++;
                if (!isset($this->tokens[$this->at])) {
                    throw new Unreadable();
                }
            }
        } while ($or);

        return count($parts) > 1 ? new Any($parts) : $parts[0] ?? null;
    }

    private function all(): ?Node
    {
        $parts = [];
        while (isset($this->tokens[$this->at]) && !$this->is('close') && !$this->is('word', 'OR')) {
            if ($this->is('word', 'AND') && $parts !== [] && isset($this->tokens[$this->at + 1])) {
                $this->at++;

                continue;
            }
            $part = $this->one();
            if ($part !== null) {
                $parts[] = $part;
            }
        }

        return self::together($parts);
    }

    private function one(): ?Node
    {
        [$kind, $text] = $this->tokens[$this->at];
        if ($kind === 'minus' || ($kind === 'word' && $text === 'NOT')) {
            $this->at++;
            $part = isset($this->tokens[$this->at]) ? $this->one() : null;

            return self::not($part ?? throw new Unreadable());
        }
        $this->at++;

        return match ($kind) {
            'open' => $this->brackets($text === '-('),
            'field' => $this->inField($text),
            'quoted' => $this->quoted($text, null),
            'word' => $this->word($text, null),
            default => throw new Unreadable(),
        };
    }

    private function brackets(bool $not, ?Field $field = null): ?Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw new Unreadable();
        }
        $inside = $this->any();
        if (!$this->is('close')) {
            throw new Unreadable();
        }
        $this->at++;
        $this->depth--;
        if ($inside !== null && $field !== null) {
            $inside = self::inside($inside, $field);
        }

        return $inside !== null && $not ? self::not($inside) : $inside;
    }

    private function inField(string $name): ?Node
    {
        $field = Field::tryFrom(strtolower($name));
        [$kind, $text] = $this->tokens[$this->at] ?? throw new Unreadable();
        if ($field === null) {
            // "Undertow: a life" names no field; it is two words.
            return $this->word($name, null);
        }
        if ($field->isRange()) {
            $this->at++;
            // "-2015" was read as a minus and a word.
            $text = $kind === 'minus' && $this->is('word') ? '-' . $this->tokens[$this->at++][1] : $text;

            return Range::read($field, $text) ?? throw new Unreadable();
        }
        $this->at++;

        return match ($kind) {
            'open' => $text === '(' ? $this->brackets(false, $field) : throw new Unreadable(),
            'quoted' => $this->quoted($text, $field),
            'word' => $this->word($text, $field),
            default => throw new Unreadable(),
        };
    }

    private function quoted(string $text, ?Field $field): ?Term
    {
        if (strlen($text) < 2 || !str_ends_with($text, '"')) {
            throw new Unreadable();
        }

        return $this->term(trim($text, '"'), $field, exact: true);
    }

    private function word(string $text, ?Field $field): ?Node
    {
        if ($field === Field::Isbn && ($number = Identifier::parse($text)) !== null) {
            $text = $number->number;
        }
        $begins = str_ends_with($text, '*') && preg_match('/[\p{L}\p{N}]\*$/u', $text) === 1;
        $words = $this->term($text, $field, exact: false, begins: $begins);
        if ($words === null || count($words->words) === 1) {
            return $words;
        }
        if ($begins) {
            // "low-wat*" begins so in its last word.
            $last = array_key_last($words->words);

            return new All(
                array_map(
                    fn(string $word, int $n): Term => new Term([$word], $field, begins: $n === $last),
                    $words->words,
                    array_keys($words->words),
                ),
            );
        }

        return new Term($words->words, $field);
    }

    private function term(string $text, ?Field $field, bool $exact, bool $begins = false): ?Term
    {
        $folded = SearchWords::fold($text);
        if ($folded === '') {
            return null;
        }
        if (++$this->terms > self::MOST_TERMS) {
            throw new Unreadable();
        }

        return new Term(explode(' ', $folded), $field, $exact, $begins);
    }

    /** The same part, with its terms looked for in a field. */
    private static function inside(Node $node, Field $field): Node
    {
        return match (true) {
            $node instanceof Term && $node->field === null => new Term(
                $node->words,
                $field,
                $node->exact,
                $node->begins,
            ),
            $node instanceof All => new All(
                array_map(fn(Node $part): Node => self::inside($part, $field), $node->parts),
            ),
            $node instanceof Any => new Any(
                array_map(fn(Node $part): Node => self::inside($part, $field), $node->parts),
            ),
            $node instanceof Not => new Not(self::inside($node->part, $field)),
            default => $node,
        };
    }

    private static function not(Node $part): Node
    {
        return $part instanceof Not ? $part->part : new Not($part);
    }

    /** @param  list<Node>  $parts */
    private static function together(array $parts): ?Node
    {
        return count($parts) > 1 ? new All($parts) : $parts[0] ?? null;
    }

    private function is(string $kind, ?string $text = null): bool
    {
        $token = $this->tokens[$this->at] ?? null;

        return $token !== null && $token[0] === $kind && ($text === null || $token[1] === $text);
    }
}
