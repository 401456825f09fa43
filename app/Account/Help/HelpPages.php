<?php

declare(strict_types=1);

namespace App\Account\Help;

use App\Account\Messages\MessageText;
use FigPorch\Core\Account\HelpSubject;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Support\HtmlString;

/** Help as it is written in resources/help, a file a subject and language. */
final class HelpPages
{
    private const EXCERPT = 160;

    private const LANGUAGE = 'en';

    /**
     * @param  int  $level  the level of the headings in it
     * @return array{heading: string, text: HtmlString}
     */
    public function page(string $name, string $locale, int $level = 2): array
    {
        $markdown = $this->markdown($name, $locale);
        [$heading, $text] = explode("\n", $markdown, 2) + [1 => ''];

        return ['heading' => ltrim($heading, '# '), 'text' => MessageText::html($text, $level)];
    }

    /**
     * @return list<array{subject: HelpSubject, heading: string, excerpt: string}> those with all the words; all without
     *     any
     */
    public function find(string $words, string $locale): array
    {
        $wanted = preg_split('/\s+/u', SearchWords::fold($words), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach (HelpSubject::cases() as $subject) {
            $markdown = $this->markdown($subject->value, $locale);
            $folded = SearchWords::fold($markdown);
            if (array_filter($wanted, fn(string $word): bool => !str_contains($folded, $word)) !== []) {
                continue;
            }
            [$heading, $text] = explode("\n", $markdown, 2) + [1 => ''];
            $found[] = [
                'subject' => $subject,
                'heading' => ltrim($heading, '# '),
                'excerpt' => self::excerpt(MessageText::plain($text), $wanted[0] ?? ''),
            ];
        }

        return $found;
    }

    private function markdown(string $name, string $locale): string
    {
        $file = resource_path("help/{$locale}/{$name}.md");

        return (string) file_get_contents(
            is_file($file) ? $file : resource_path('help/' . self::LANGUAGE . "/{$name}.md"),
        );
    }

    /** The sentence about a word, or the first. */
    private static function excerpt(string $text, string $word): string
    {
        $sentences = preg_split('/(?<=[.:!?])\s+|\n+/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [$text];
        $with = array_filter(
            $sentences,
            fn(string $of): bool => $word !== '' && str_contains(SearchWords::fold($of), $word),
        );

        return mb_strimwidth((string) (reset($with) ?: $sentences[0]), 0, self::EXCERPT, '…');
    }
}
