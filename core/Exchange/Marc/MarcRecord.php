<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/** A record of MARC 21 (loc.gov/marc/bibliographic). */
final readonly class MarcRecord
{
    /** Names, titles, editions, publishers, series, headings. */
    private const PUNCTUATED = '/^(1..|245|250|26[04]|490|6(?!53)..|7[01].|8[0-3].)$/D';

    /** @param  list<MarcField>  $fields */
    public function __construct(public string $leader, public array $fields) {}

    /** @return list<MarcField> of some tags, in order */
    public function fields(string ...$tags): array
    {
        return array_values(array_filter($this->fields, fn(MarcField $of): bool => in_array($of->tag, $tags, true)));
    }

    public function control(string $tag): string
    {
        return $this->fields($tag)[0]->value ?? '';
    }

    /** @return list<string> values of some subfields of fields of a tag */
    public function values(string $tag, string $codes): array
    {
        return array_merge([], ...array_map(fn(MarcField $of): array => $of->all($codes), $this->fields($tag)));
    }

    /** Without the ISBD punctuation that stands before what follows (common practice; ISBD, A.3). */
    public function withoutPunctuation(): self
    {
        return new self(
            $this->leader,
            array_map(
                fn(MarcField $of): MarcField => preg_match(self::PUNCTUATED, $of->tag) === 1
                    ? $of->changed(self::withoutMarks(...))
                    : $of,
                $this->fields,
            ),
        );
    }

    /** A stop after a letter alone, or after a short word, is its own. */
    private static function withoutMarks(string $text): string
    {
        $text = (string) preg_replace('/\s*[\/:;,=]\s*$/u', '', trim($text));

        return (string) preg_replace('/(?<=[^\s.]{3})\.$/u', '', $text);
    }
}
