<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Models\Library;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\IdentifierKind;
use FigPorch\Core\Exchange\Counter\DataType;
use FigPorch\Core\Exchange\Counter\Item;
use FigPorch\Core\Exchange\Counter\ReportDocument;
use FigPorch\Core\Exchange\Counter\ReportHeader;
use FigPorch\Core\Exchange\Counter\ReportRequest;
use FigPorch\Core\Exchange\Counter\Usage;
use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How a library's catalogue was used: what is added up, and what has happened since. */
final class LibraryUsage
{
    private const NAMESPACE = 'figporch';

    private const UNKNOWN_YEAR = '0001';

    /** What is counted, by the name of its column. */
    public const COUNTS = [
        'searches',
        'investigations',
        'unique_investigations',
        'requests',
        'unique_requests',
        'limit_exceeded',
        'no_licence',
    ];

    private const USED = "select month, title_id, sum(searches) searches, sum(investigations) investigations,
            sum(unique_investigations) unique_investigations, sum(requests) requests,
            sum(unique_requests) unique_requests, sum(limit_exceeded) limit_exceeded, sum(no_licence) no_licence
        from (select * from usage_counts where library_id = :library
            union all select * from usage_counted('infinity', :library)) u
        where month between :begin and :end group by month, title_id";

    /** With what is said of the titles. */
    private const NAMED =
        'select to_char(u.month, \'YYYY-MM\') as in_month, u.*, t.format, t.name, t.publisher, t.published,
            t.isbn, t.identifiers, t.series_id, s.name as serial,
            (select array_to_json(array_agg(c.name order by ct.position)) from contributor_title ct
                join contributors c on c.id = ct.contributor_id
                where ct.title_id = t.id and ct.role = \'author\') as authors
        from (' .
        self::USED .
        ') u left join titles t on t.id = u.title_id left join series s on s.id = t.series_id
        order by lower(t.name), u.title_id, u.month';

    /** The last month of which no use can be added any more, "2026-10". */
    public static function ready(Library $library, DateTimeImmutable $now): string
    {
        return CarbonImmutable::instance($now)->setTimezone($library->zone())->startOfMonth()->subDay()->format('Y-m');
    }

    /** The first month of which there are figures; the one that is on where there are none. */
    public static function first(Library $library, DateTimeImmutable $now): string
    {
        $first = DB::table('usage_counts')->where('library_id', $library->id)->min('month');

        return is_string($first)
            ? substr($first, 0, 7)
            : CarbonImmutable::instance($now)->setTimezone($library->zone())->format('Y-m');
    }

    public function report(Library $library, ReportRequest $request, DateTimeImmutable $now): ReportDocument
    {
        return new ReportDocument(
            $request,
            new ReportHeader($library->name, $library->slug, (string) config('app.name'), self::NAMESPACE, $now),
            $this->usages($library, $request->begin, $request->last()),
        );
    }

    /**
     * @param  non-empty-list<string>  $months  "2026-01", the earliest first
     * @return array<string, array<string, int>> by month, of all titles together
     */
    public function months(Library $library, array $months): array
    {
        $counts = array_fill_keys($months, array_fill_keys(self::COUNTS, 0));
        $sums = implode(', ', array_map(fn(string $of): string => "sum({$of}) {$of}", self::COUNTS));
        $rows = DB::select(
            "select to_char(month, 'YYYY-MM') as in_month, {$sums} from (" . self::USED . ') u group by month',
            ['library' => $library->id, 'begin' => "{$months[0]}-01", 'end' => end($months) . '-01'],
        );
        foreach ($rows as $row) {
            foreach (self::COUNTS as $of) {
                $counts[$row->in_month][$of] = (int) $row->{$of};
            }
        }

        return $counts;
    }

    /**
     * @param  string  $begin  "2026-01"
     * @return Generator<Usage> by title and month
     */
    private function usages(Library $library, string $begin, string $end): Generator
    {
        $rows = DB::select(self::NAMED, [
            'library' => $library->id,
            'begin' => "{$begin}-01",
            'end' => "{$end}-01",
        ]);
        $item = null;
        foreach ($rows as $row) {
            $item = match (true) {
                $row->title_id === null => null,
                $row->title_id === $item?->id => $item,
                default => self::item($row),
            };
            yield new Usage(
                month: $row->in_month,
                item: $item,
                searches: (int) $row->searches,
                investigations: (int) $row->investigations,
                uniqueInvestigations: (int) $row->unique_investigations,
                requests: (int) $row->requests,
                uniqueRequests: (int) $row->unique_requests,
                limitExceeded: (int) $row->limit_exceeded,
                noLicence: (int) $row->no_licence,
            );
        }
    }

    private static function item(stdClass $row): Item
    {
        $type = DataType::of(Format::from($row->format));
        $issn = null;
        foreach ((array) json_decode((string) $row->identifiers, true) as $text) {
            $number = Identifier::parse((string) $text);
            $issn ??= $number?->kind === IdentifierKind::Issn ? $number->written : null;
        }

        return new Item(
            id: $row->title_id,
            name: $row->name,
            dataType: $type,
            publisher: $row->publisher,
            year: preg_match('/^[0-9]{4}/', (string) $row->published, $of) === 1 ? $of[0] : self::UNKNOWN_YEAR,
            isbn: $row->isbn,
            issn: $issn,
            address: route('titles.show', $row->title_id),
            authors: array_values(array_map(strval(...), (array) json_decode((string) $row->authors, true))),
            published: $row->published,
            serial: $type === DataType::Journal && $row->series_id !== null ? [$row->series_id, $row->serial] : null,
        );
    }
}
