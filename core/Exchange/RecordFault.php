<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange;

use Stringable;

/** What is wrong with a record, or with a file of them: a sentence, and what it names, so that it can be translated. */
final readonly class RecordFault implements Stringable
{
    private const LETTERS = 400;

    /** @var array<string, string> */
    public array $facts;

    /**
     * @param  string  $text  in English, with ":name" where a fact belongs
     * @param  array<string, string|int>  $facts
     */
    public function __construct(public string $text, array $facts = [])
    {
        $this->facts = array_map(fn(string|int $of): string => mb_substr((string) $of, 0, self::LETTERS), $facts);
    }

    public function __toString(): string
    {
        return $this->in($this->text);
    }

    /** With its facts in the sentence of another language. */
    public function in(string $text): string
    {
        $places = array_map(fn(string $name): string => ":{$name}", array_keys($this->facts));

        return strtr($text, array_combine($places, array_values($this->facts)));
    }

    /** As it is kept; read() knows it again. */
    public function written(): string
    {
        return (string) json_encode(
            ['text' => $this->text, 'facts' => $this->facts],
            JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE,
        );
    }

    /** What was written otherwise is a sentence as it stands. */
    public static function read(string $written): self
    {
        $of = json_decode($written, true);
        if (!is_array($of) || !is_string($of['text'] ?? null)) {
            return new self($written);
        }
        $facts = [];
        foreach ((array) ($of['facts'] ?? []) as $name => $fact) {
            $facts[(string) $name] = is_string($fact) ? $fact : '';
        }

        return new self($of['text'], $facts);
    }
}
