<?php

declare(strict_types=1);

namespace App\Exchange\Bibliography;

use App\Catalogue\Baskets\Baskets;
use App\Exchange\Csv\CsvFile;
use App\Models\Basket;
use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\Citation\Bibliography;
use FigPorch\Core\Catalogue\Citation\Style;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** A basket, and all in the baskets that it holds, for other programs and as a bibliography. */
final class BasketExportController
{
    public function __construct(
        private readonly Baskets $baskets,
        private readonly CitedBasket $cited,
        private readonly RequestContext $current,
    ) {}

    public function file(Basket $basket, string $kind): AnyResponse
    {
        return $kind === 'csv'
            ? $this->csv($basket)
            : CitationFile::answer(
                $kind,
                $this->cited->titles($basket, $this->current->now()),
                "{$basket->name} " . now()->format('Y-m-d'),
            );
    }

    public function bibliography(Request $request, Basket $basket): View
    {
        $style = Style::tryFrom(Input::text($request, 'style')) ?? Style::Apa;
        $cited = Bibliography::of($this->cited->titles($basket, $this->current->now()), $style);

        return view('exchange.bibliography.bibliography', ['basket' => $basket, 'style' => $style, 'cited' => $cited]);
    }

    private function csv(Basket $basket): AnyResponse
    {
        $rows = [];
        foreach ($this->baskets->below($basket) as $of) {
            foreach ($this->baskets->titles($of['basket']) as $title) {
                $note = $title->getRelation('pivot')->getAttribute('note');
                $rows[] = [
                    $of['basket']->name,
                    $title->name,
                    $title->subtitle,
                    implode('; ', array_map(fn(array $person): string => $person[1], $title->people())),
                    __("catalogue.format.{$title->format->value}"),
                    $title->publisher,
                    $title->published,
                    $title->isbn,
                    $title->language,
                    is_string($note) ? $note : null,
                    route('titles.show', $title),
                ];
            }
        }

        return CsvFile::response(
            $basket->name,
            array_map(fn(string $column): string => __("baskets.columns.{$column}"), [
                'basket',
                'title',
                'subtitle',
                'people',
                'format',
                'publisher',
                'published',
                'isbn',
                'language',
                'note',
                'address',
            ]),
            $rows,
        );
    }
}
