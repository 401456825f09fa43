<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Link;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Holding as CoreHolding;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Support\Facades\DB;

/** Writes down where a library has a title on paper, or on the web. */
final class KeepElsewhere
{
    /**
     * Where a record says that it is: what it does not name any more goes. What it says nothing of stays.
     *
     * @param  list<CoreHolding>  $holdings
     * @param  list<WebLink>  $links
     */
    public function asRecordSays(
        int $libraryId,
        Title $title,
        array $holdings,
        array $links,
        DateTimeImmutable $now,
    ): void {
        DB::transaction(function () use ($libraryId, $title, $holdings, $links, $now): void {
            foreach ($holdings as $of) {
                $this->holding($libraryId, $title, $of);
            }
            foreach ($links as $of) {
                $this->link($libraryId, $title, $of, $now);
            }
            $all = ['library_id' => $libraryId, 'title_id' => $title->id];
            $holdings === [] ||
                Holding::query()
                    ->where($all)
                    ->get()
                    ->reject(fn(Holding $is): bool => self::names($holdings, $is->value()))
                    ->each(fn(Holding $is): ?bool => $is->delete());
            $links === [] ||
                Link::query()
                    ->where($all)
                    ->whereNotIn('address', array_map(fn(WebLink $of): string => $of->address, $links))
                    ->delete();
        });
    }

    /** One shelf of a title: as it is said now. */
    public function holding(int $libraryId, Title $title, CoreHolding $of): void
    {
        Holding::query()->upsert(
            [
                'library_id' => $libraryId,
                'title_id' => $title->id,
                'place' => $of->place,
                'call_number' => $of->callNumber,
                'copies' => $of->copies,
                'numbers' => json_encode($of->numbers, JSON_THROW_ON_ERROR),
            ],
            ['title_id', 'library_id', 'place', 'call_number'],
            ['copies', 'numbers'],
        );
    }

    /** One address of a title: a new one is looked at soon. */
    public function link(int $libraryId, Title $title, WebLink $of, DateTimeImmutable $now): void
    {
        Link::query()->upsert(
            [
                'library_id' => $libraryId,
                'title_id' => $title->id,
                'address' => $of->address,
                'about' => $of->about,
                'open_to' => $of->openTo->value,
                'ask_at' => Sql::second($now),
            ],
            ['title_id', 'library_id', 'address'],
            ['about', 'open_to'],
        );
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
