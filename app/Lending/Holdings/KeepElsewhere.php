<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Link;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Holding as CoreHolding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Support\Facades\DB;

/** Writes down where a library has a title on paper, or on the web. */
final class KeepElsewhere
{
    /** Rows of one statement. */
    private const AT_ONCE = 500;

    /**
     * Where records say that titles are: what they do not name any more goes. Of what one says nothing, that stays.
     *
     * @param  array<int, Record>  $records  by title
     */
    public function asRecordsSay(int $libraryId, array $records, DateTimeImmutable $now): void
    {
        $shelves = array_filter(array_map(fn(Record $of): array => $of->holdings, $records));
        $links = array_filter(array_map(fn(Record $of): array => $of->links, $records));
        if ($shelves === [] && $links === []) {
            return;
        }
        DB::transaction(function () use ($libraryId, $shelves, $links, $now): void {
            $this->putHoldings($libraryId, $shelves);
            $this->putLinks($libraryId, $links, $now);
            Holding::query()
                ->where('library_id', $libraryId)
                ->whereIn('title_id', array_keys($shelves))
                ->get()
                ->reject(fn(Holding $is): bool => self::names($shelves[$is->title_id], $is->value()))
                ->each(fn(Holding $is): ?bool => $is->delete());
            Link::query()
                ->where('library_id', $libraryId)
                ->whereIn('title_id', array_keys($links))
                ->get()
                ->reject(
                    fn(Link $is): bool => in_array(
                        $is->address,
                        array_map(fn(WebLink $of): string => $of->address, $links[$is->title_id]),
                        true,
                    ),
                )
                ->each(fn(Link $is): ?bool => $is->delete());
        });
    }

    /** One shelf of a title: as it is said now. */
    public function holding(int $libraryId, Title $title, CoreHolding $of): void
    {
        $this->putHoldings($libraryId, [$title->id => [$of]]);
    }

    /** One address of a title: a new one is looked at soon. */
    public function link(int $libraryId, Title $title, WebLink $of, DateTimeImmutable $now): void
    {
        $this->putLinks($libraryId, [$title->id => [$of]], $now);
    }

    /** @param  array<int, list<CoreHolding>>  $shelves  by title */
    private function putHoldings(int $libraryId, array $shelves): void
    {
        // In order, as all who write many do.
        ksort($shelves);
        $rows = [];
        foreach ($shelves as $title => $all) {
            foreach ($all as $of) {
                $rows[] = [
                    'library_id' => $libraryId,
                    'title_id' => $title,
                    'place' => $of->place,
                    'call_number' => $of->callNumber,
                    'copies' => $of->copies,
                    'numbers' => json_encode($of->numbers, JSON_THROW_ON_ERROR),
                ];
            }
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            Holding::query()->upsert($some, ['title_id', 'library_id', 'place', 'call_number'], ['copies', 'numbers']);
        }
    }

    /** @param  array<int, list<WebLink>>  $links  by title */
    private function putLinks(int $libraryId, array $links, DateTimeImmutable $now): void
    {
        ksort($links);
        $rows = [];
        foreach ($links as $title => $all) {
            foreach ($all as $of) {
                $rows["{$title} {$of->address}"] = [
                    'library_id' => $libraryId,
                    'title_id' => $title,
                    'address' => $of->address,
                    'about' => $of->about,
                    'open_to' => $of->openTo->value,
                    'ask_at' => Sql::second($now),
                ];
            }
        }
        foreach (array_chunk(array_values($rows), self::AT_ONCE) as $some) {
            Link::query()->upsert($some, ['title_id', 'library_id', 'address'], ['about', 'open_to']);
        }
    }

    /** @param  list<CoreHolding>  $holdings */
    private static function names(array $holdings, CoreHolding $shelf): bool
    {
        foreach ($holdings as $of) {
            if ($of->isAt($shelf)) {
                return true;
            }
        }

        return false;
    }
}
