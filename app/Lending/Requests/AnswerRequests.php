<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Account\Notices\GiveNotice;
use App\Lending\Holds\PlaceHold;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Answers those who asked a library for a title: it has come, or it will not be got. Each is told once, if they wished
 * to be.
 */
final class AnswerRequests
{
    private const REQUESTS = 'select r.id, r.card_id, r.title_id, r.wants_notice, r.wants_hold, c.person_id,
        coalesce(t.name, r.name) as name, lib.name library, lib.timezone
        from requests r join cards c on c.id = r.card_id left join titles t on t.id = r.title_id
            join libraries lib on lib.id = r.library_id';

    public function __construct(private readonly GiveNotice $giveNotice, private readonly PlaceHold $placeHold) {}

    /**
     * Keeps new requests for a title waiting, and takes the cards of those who asked, in order, so that they can be put
     * in line before the copies of a new licence go to others.
     */
    public function lock(int $titleId): void
    {
        DB::select('select from titles where id = ? for no key update', [$titleId]);
        DB::select(
            "select id from cards where id in (select card_id from requests where title_id = ? and state = 'open')
                order by id for no key update",
            [$titleId],
        );
    }

    /**
     * A licence has come for a library, and if it is shared for its whole consortium. Those who chose so are put in
     * line in the order in which they asked.
     *
     * @param  bool  $line  whether the licence lends to a line
     * @param  DateTimeImmutable  $from  when it begins to lend
     */
    public function here(
        int $libraryId,
        int $titleId,
        bool $shared,
        bool $line,
        DateTimeImmutable $from,
        DateTimeImmutable $now,
    ): void {
        foreach (
            $this->open(
                'and exists (select from libraries o, libraries lib
                    where o.id = ? and lib.id = r.library_id and licence_serves(?, o, lib))',
                $titleId,
                [$libraryId, $shared ? 't' : 'f'],
            )
            as $request
        ) {
            $inLine =
                $line &&
                $request->wants_hold &&
                is_int(($this->placeHold)($request->card_id, $titleId, $now, evenIfFree: true));
            $this->answer(
                request: $request,
                state: 'here',
                outcome: ($from > $now ? 'coming' : 'here') . ($inLine ? '_in_line' : ''),
                why: null,
                staffId: null,
                now: $now,
                from: $from,
            );
        }
    }

    /** @param  string  $why  what the library says to those who asked */
    public function decline(int $libraryId, int $titleId, string $why, int $staffId, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($libraryId, $titleId, $why, $staffId, $now): int {
            $requests = $this->open('and r.library_id = ?', $titleId, [$libraryId]);
            foreach ($requests as $request) {
                $this->declineOne($request, $why, $staffId, $now);
            }

            return count($requests);
        });
    }

    /** @return bool whether a request in words was open still */
    public function declineInWords(
        int $libraryId,
        int $requestId,
        string $why,
        int $staffId,
        DateTimeImmutable $now,
    ): bool {
        return DB::transaction(function () use ($libraryId, $requestId, $why, $staffId, $now): bool {
            $request = DB::selectOne(
                self::REQUESTS .
                    " where r.state = 'open' and r.title_id is null and r.library_id = ? and r.id = ?
                        for no key update of r",
                [$libraryId, $requestId],
            );
            if ($request !== null) {
                $this->declineOne($request, $why, $staffId, $now);
            }

            return $request !== null;
        });
    }

    /**
     * @param  literal-string  $where
     * @param  list<mixed>  $bindings
     * @return list<stdClass>
     */
    private function open(string $where, int $titleId, array $bindings): array
    {
        return array_values(
            DB::select(
                self::REQUESTS .
                    " where r.state = 'open' and r.title_id = ? {$where} order by r.asked_at, r.id
                        for no key update of r",
                [$titleId, ...$bindings],
            ),
        );
    }

    private function declineOne(stdClass $request, string $why, int $staffId, DateTimeImmutable $now): void
    {
        $this->answer(
            request: $request,
            state: 'declined',
            outcome: 'declined',
            why: $why,
            staffId: $staffId,
            now: $now,
        );
    }

    private function answer(
        stdClass $request,
        string $state,
        string $outcome,
        ?string $why,
        ?int $staffId,
        DateTimeImmutable $now,
        ?DateTimeImmutable $from = null,
    ): void {
        DB::table('requests')
            ->where('id', $request->id)
            ->update(['state' => $state, 'answer' => $why, 'staff_member_id' => $staffId, 'answered_at' => $now]);
        if ($request->wants_notice) {
            ($this->giveNotice)(
                $request->person_id,
                NoticeKind::RequestAnswered,
                "request:{$request->id}",
                [
                    ...$request->title_id === null ? ['address' => '/requests'] : ['title' => $request->title_id],
                    'name' => $request->name,
                    'library' => $request->library,
                    'outcome' => $outcome,
                    'answer' => (string) $why,
                    'timezone' => $request->timezone,
                    ...$from === null ? [] : ['begins' => $from->format(DATE_ATOM)],
                ],
                $now,
            );
        }
    }
}
