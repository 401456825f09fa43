<?php

declare(strict_types=1);

namespace App\Exchange\Records;

use App\Models\Holding;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;
use FigPorch\Core\Catalogue\Holding as CoreHolding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;

/** Where a library has some titles on paper and on the web, beside what their records say. */
final readonly class ElsewhereAtLibrary
{
    /**
     * @param  array<int, list<CoreHolding>>  $holdings  by title
     * @param  array<int, list<WebLink>>  $links  by title
     */
    private function __construct(private array $holdings, private array $links) {}

    /** @param  iterable<Title>  $titles */
    public static function of(Library $library, iterable $titles): self
    {
        $ids = [];
        foreach ($titles as $title) {
            $title->format->isLent() || ($ids[] = $title->id);
        }
        $holdings = $links = [];
        if ($ids !== []) {
            $own = ['library_id' => $library->id];
            foreach (Holding::query()->where($own)->whereIn('title_id', $ids)->orderBy('id')->get() as $of) {
                $holdings[$of->title_id][] = $of->value();
            }
            foreach (Link::query()->where($own)->whereIn('title_id', $ids)->orderBy('id')->get() as $of) {
                $links[$of->title_id][] = $of->value();
            }
        }

        return new self($holdings, $links);
    }

    public function with(Title $title, Record $record): Record
    {
        return $title->format->isLent()
            ? $record
            : $record->at($this->holdings[$title->id] ?? [], $this->links[$title->id] ?? []);
    }

    /**
     * @return list<string> of "holdings" and "links", what the record says otherwise; where it says nothing, nothing
     */
    public function changed(Title $title, Record $record): array
    {
        $lines = function (array $all): array {
            $lines = array_map(fn(CoreHolding|WebLink $of): string => $of->written(), $all);
            sort($lines);

            return $lines;
        };
        $isOther = fn(array $says, array $is): bool => $says !== [] && $lines($says) !== $lines($is);

        return array_keys(
            array_filter([
                'holdings' => $isOther($record->holdings, $this->holdings[$title->id] ?? []),
                'links' => $isOther($record->links, $this->links[$title->id] ?? []),
            ]),
        );
    }
}
