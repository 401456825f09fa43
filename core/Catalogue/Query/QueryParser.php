<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\LanguageName;
use FigPorch\Core\Catalogue\SearchWords;

/**
 * Reads what somebody typed. All words must match; "quotes" are a phrase, word* a beginning; OR, NOT or a leading
 * minus, brackets, and fields such as author: or year:2015-2020. What cannot be read so is read as plain words.
 */
final class QueryParser
{
    public const MOST_CHARACTERS = 400;

    private const MOST_TERMS = 32;

    private const DEEPEST = 12;

    /** @var list<Token> */
    private readonly array $tokens;

    /** Which of them is read next. */
    private int $next = 0;

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
        $number = self::number($typed);
        if ($number !== null) {
            return new Query($number);
        }
        try {
            return new Query((new self($typed))->whole(), cut: $cut);
        } catch (Unreadable $why) {
            return new Query(self::plain($typed), Refusal::at($why->reason, $why->at, $typed), $cut);
        }
    }

    /** A standard number by itself, with hyphens or spaces as it is printed. */
    private static function number(string $typed): ?Term
    {
        $looksLikeOne = preg_match('/^(?:is[bms]n[\s:]*)?[\d][\dXx\s‐–-]{8,20}$/iu', $typed) === 1;
        $number = $looksLikeOne ? Identifier::parse($typed) : null;

        return $number === null ? null : new Term([$number->number], Field::Isbn);
    }

    /** Every word in it, whatever stands between. */
    private static function plain(string $typed): ?Node
    {
        $words = (string) preg_replace('/(?<![^\s()])(AND|OR|NOT)(?![^\s()])/', ' ', $typed);
        $terms = array_map(
            fn(string $word): Term => new Term([$word]),
            array_slice(SearchWords::of($words), 0, self::MOST_TERMS),
        );

        return self::together($terms);
    }

    private function whole(): ?Node
    {
        $tree = $this->any();
        $left = $this->token();

        // Only a bracket ends what any() reads.
        return $left === null ? $tree : throw new Unreadable(RefusalReason::BracketNotOpened, $left->at);
    }

    private function any(): ?Node
    {
        $parts = [];
        do {
            $part = $this->all();
            if ($part !== null) {
                $parts[] = $part;
            }
            $or = $this->token();
            if ($or?->isOperator('OR') !== true) {
                break;
            }
            $this->next++;
            if ($part === null || $this->token() === null) {
                throw new Unreadable(RefusalReason::NothingBesideOr, $or->at);
            }
        } while (true);

        return count($parts) > 1 ? new Any($parts) : $parts[0] ?? null;
    }

    private function all(): ?Node
    {
        $parts = [];
        while (($token = $this->token()) !== null && !$this->is(TokenKind::Close) && !$token->isOperator('OR')) {
            if ($token->isOperator('AND') && $parts !== [] && isset($this->tokens[$this->next + 1])) {
                $this->next++;

                continue;
            }
            $part = $this->one($token);
            if ($part !== null) {
                $parts[] = $part;
            }
        }

        return self::together($parts);
    }

    private function one(Token $token): ?Node
    {
        $this->next++;
        if ($token->kind === TokenKind::Minus || $token->isOperator('NOT')) {
            $after = $this->token();
            $part = $after === null || $this->is(TokenKind::Close) ? null : $this->one($after);

            return self::not($part ?? throw new Unreadable(RefusalReason::NothingAfterNot, $token->at));
        }

        return match ($token->kind) {
            TokenKind::Open => $this->brackets($token),
            TokenKind::Field => $this->inField($token),
            TokenKind::Quoted => $this->quoted($token, null),
            TokenKind::Word => $this->word($token, $token->text, null),
            TokenKind::Close => throw new Unreadable(RefusalReason::BracketNotOpened, $token->at),
        };
    }

    private function brackets(Token $open, ?Field $field = null): ?Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw new Unreadable(RefusalReason::TooDeep, $open->at);
        }
        $inside = $this->any();
        if (!$this->is(TokenKind::Close)) {
            throw new Unreadable(RefusalReason::BracketNotClosed, $open->at);
        }
        $this->next++;
        $this->depth--;
        if ($inside !== null && $field !== null) {
            $inside = $inside->in($field);
        }

        return $inside !== null && $open->text === '-(' ? self::not($inside) : $inside;
    }

    private function inField(Token $name): ?Node
    {
        $field = Field::named($name->text);
        $value = $this->token() ?? throw new Unreadable(RefusalReason::NotAValue, $name->at);
        if ($field === null) {
            // "Undertow: a life" names no field; it is two words.
            return $this->word($name, $name->text, null);
        }
        $this->next++;
        if ($field->isRange()) {
            // "-2015" was read as a minus and a word.
            $number =
                $value->kind === TokenKind::Minus && $this->is(TokenKind::Word)
                    ? '-' . $this->tokens[$this->next++]->text
                    : $value->text;

            return Range::read($field, $number) ?? throw new Unreadable(RefusalReason::NotANumber, $name->at);
        }

        return match (true) {
            $value->kind === TokenKind::Open && $value->text === '(' => $this->brackets($value, $field),
            $value->kind === TokenKind::Quoted => $this->quoted($value, $field),
            $value->kind === TokenKind::Word => $this->word($value, $value->text, $field),
            default => throw new Unreadable(RefusalReason::NotAValue, $name->at),
        };
    }

    private function quoted(Token $token, ?Field $field): ?Term
    {
        if (strlen($token->text) < 2 || !str_ends_with($token->text, '"')) {
            throw new Unreadable(RefusalReason::QuoteNotClosed, $token->at);
        }

        return $this->term($token, trim($token->text, '"'), $field, exact: true);
    }

    private function word(Token $token, string $text, ?Field $field): ?Node
    {
        if ($field === Field::Isbn && ($number = Identifier::parse($text)) !== null) {
            $text = $number->number;
        }
        $text = $field === Field::Language ? LanguageName::code($text) ?? $text : $text;
        // "The islander's" is in records that "islanders" finds.
        $text = (string) preg_replace('/(?<=\p{L})[\'’]s$/iu', '', $text);
        $begins = str_ends_with($text, '*') && preg_match('/[\p{L}\p{N}]\*$/u', $text) === 1;
        $words = $this->term($token, $text, $field, begins: $begins);
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

    private function term(Token $token, string $text, ?Field $field, bool $exact = false, bool $begins = false): ?Term
    {
        $folded = SearchWords::fold($text);
        if ($folded === '') {
            return null;
        }
        if (++$this->terms > self::MOST_TERMS) {
            throw new Unreadable(RefusalReason::TooManyWords, $token->at);
        }

        return new Term(explode(' ', $folded), $field, $exact, $begins);
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

    private function token(): ?Token
    {
        return $this->tokens[$this->next] ?? null;
    }

    private function is(TokenKind $kind): bool
    {
        return $this->token()?->kind === $kind;
    }
}
