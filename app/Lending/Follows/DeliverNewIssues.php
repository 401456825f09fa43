<?php

declare(strict_types=1);

namespace App\Lending\Follows;

use App\Account\Notices\GiveNotice;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Licences\UsableLicences;
use App\Models\Follow;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** New issues of magazines go to those who follow them: borrowed for them, or told. Each issue once. */
final class DeliverNewIssues
{
    /** New is what came after the last look: its file, or its library's first licence, as it begins or is noted. */
    private const NEW = 'select f.id follow_id, t.id title_id from follows f join cards c on c.id = f.card_id
        join titles t on t.series_id = f.series_id and t.format = \'magazine\'
        cross join lateral (select min(greatest(li.starts_at, li.added_at, li.file_came_at)) came_at from licences li
            where li.title_id = t.id and li.file_came_at is not null and %s and licence_has_future(li, ?)) l
        where l.came_at > f.looked_at and l.came_at <= ? order by f.id, l.came_at, t.id';

    public function __construct(private readonly BorrowTitle $borrowTitle, private readonly GiveNotice $giveNotice) {}

    /** @return int how many issues were brought or told of */
    public function __invoke(DateTimeImmutable $now): int
    {
        $at = Sql::timestamp($now);
        $new = [];
        foreach (
            DB::select(sprintf(self::NEW, strtr(UsableLicences::FOR_LIBRARY, ['?' => 'c.library_id'])), [$at, $at])
            as $row
        ) {
            $new[$row->follow_id][] = $row->title_id;
        }
        foreach ($new as $id => $titles) {
            $follow = Follow::query()->with('card.library')->findOrFail($id);
            foreach (Title::query()->findMany($titles) as $title) {
                $this->bring($follow, $title, $now);
            }
            $follow->update(['looked_at' => $now]);
        }

        return array_sum(array_map(count(...), $new));
    }

    private function bring(Follow $follow, Title $title, DateTimeImmutable $now): void
    {
        $card = $follow->card;
        $facts = [
            'title' => $title->id,
            'name' => $title->name,
            'issue' => (string) $title->edition,
            'library' => $card->library->name,
            'timezone' => $card->library->timezone,
        ];
        $loan = $follow->borrows ? ($this->borrowTitle)($card->id, $title->id, null, $now) : null;
        if (is_int($loan)) {
            $due = new DateTimeImmutable((string) DB::table('loans')->where('id', $loan)->value('due_at'));
            $facts += ['outcome' => 'borrowed', 'due' => $due->format(DATE_ATOM)];
        } else {
            $facts += $loan instanceof Refused ? ['outcome' => 'not_borrowed'] : ['outcome' => 'told'];
        }
        ($this->giveNotice)($card->person_id, NoticeKind::IssueHere, "issue:{$title->id}:{$card->id}", $facts, $now);
    }
}
