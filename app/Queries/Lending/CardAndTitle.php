<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\CardStanding;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\OpenLoan;
use Illuminate\Support\Facades\DB;

/** All that a decision about one card and one title needs, in one round trip. */
final readonly class CardAndTitle
{
    private const SQL = <<<'SQL'
        select c.id, c.library_id, c.patron_group, c.blocked_at, c.expires_at, c.loans_open, c.holds_open, lib.timezone,
            t.format, t.audience,
            (select json_agg(r) from loan_rules r where r.library_id = c.library_id) rules,
            (select json_agg(li order by li.id) from licences li where li.title_id = t.id and (li.library_id = c.library_id
                or li.shared and li.library_id in (select id from libraries where consortium_id = lib.consortium_id))) licences,
            (select json_build_object('own', min(o.id) filter (where o.title_id = t.id and o.due_at > ?),
                'over', count(*) filter (where o.title_id = t.id and o.due_at <= ?),
                'format', count(*) filter (where ot.format = t.format)) from loans o join titles ot on ot.id = o.title_id
                where o.card_id = c.id and o.ended_at is null) loans,
            (select json_build_object('id', o.id, 'title', ot.name, 'due', o.due_at) from loans o join titles ot on ot.id = o.title_id
                where o.card_id = c.id and o.ended_at is null order by o.due_at limit 1) soonest,
            (select json_build_object('own', min(h.id) filter (where h.title_id = t.id),
                'licence', min(h.licence_id) filter (where h.title_id = t.id and h.kept_until > ?),
                'format', count(*) filter (where ht.format = t.format)) from holds h join titles ht on ht.id = h.title_id
                where h.card_id = c.id and h.closed_at is null) holds
        from cards c join libraries lib on lib.id = c.library_id cross join titles t where c.id = ? and t.id = ?
        SQL;

    /** @param  list<Licence>  $licences those of the title that the card's library can use */
    private function __construct(
        public CardStanding $card,
        public LoanTerms $terms,
        public Format $format,
        public Audience $audience,
        public array $licences,
        public ?int $openLoanId,
        public bool $overdueLoan,
        public ?int $holdId,
        public ?int $keptLicenceId,
        public DateTimeZone $zone,
    ) {
    }

    public static function load(int $cardId, int $titleId, DateTimeImmutable $now): self
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $row = DB::selectOne(self::SQL, [$at, $at, $at, $cardId, $titleId])
            ?? throw new \InvalidArgumentException("No card {$cardId} or no title {$titleId}.");
        $format = Format::from($row->format);
        $loans = json_decode($row->loans);
        $holds = json_decode($row->holds);
        $soonest = json_decode($row->soonest ?? 'null');

        return new self(
            new CardStanding(
                $row->id,
                $row->library_id,
                $row->blocked_at !== null,
                $row->expires_at === null ? null : new DateTimeImmutable($row->expires_at),
                $row->loans_open,
                $loans->format,
                $row->holds_open,
                $holds->format,
                $soonest === null ? null : new OpenLoan($soonest->id, $soonest->title, new DateTimeImmutable($soonest->due)),
            ),
            LoanTerms::from(Rules::fromRows(json_decode($row->rules ?? '[]')), $row->patron_group, $format),
            $format,
            Audience::from($row->audience),
            array_values(array_map(UsableLicences::fromRow(...), json_decode($row->licences ?? '[]'))),
            $loans->own,
            $loans->over > 0,
            $holds->own,
            $holds->licence,
            new DateTimeZone($row->timezone),
        );
    }
}
