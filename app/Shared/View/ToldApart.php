<?php

declare(strict_types=1);

namespace App\Shared\View;

use App\Models\Title;
use FigPorch\Core\Catalogue\ToldApart as OfOneName;

/** Titles of one name, each with what tells it from the others. */
final class ToldApart
{
    /**
     * @param  iterable<Title>  $titles
     * @return array<int, string> by the title's id: "ebook", "Spanish", "read by Juno Pike"
     */
    public static function of(iterable $titles): array
    {
        $things = [];
        foreach ($titles as $title) {
            $narrators = implode(', ', array_slice($title->namesOf('narrator'), 0, 2));
            $things[$title->id] = [
                $title->name,
                [
                    __("catalogue.format.{$title->format->value}"),
                    $title->language === null ? '' : TitleText::language($title->language),
                    (string) $title->edition,
                    $narrators === '' ? '' : __('catalogue.read_by', ['name' => $narrators]),
                    (string) $title->published,
                ],
            ];
        }

        return OfOneName::facts($things);
    }
}
