<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\FillFreeCopies;
use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use Illuminate\Support\Facades\DB;

/**
 * Staff say which title a request in a patron's words means. If the library has it, that is the answer; else it waits
 * with the others for the title.
 */
final class NameRequest
{
    public function __construct(
        private readonly AnswerRequests $answerRequests,
        private readonly UsableLicences $usableLicences,
        private readonly FillFreeCopies $fillFreeCopies,
    ) {}

    /**
     * @return bool|null whether it is answered by that; null if it was no open request of the library in words any more
     */
    public function __invoke(int $requestId, int $libraryId, int $titleId, DateTimeImmutable $now): ?bool
    {
        return DB::transaction(function () use ($requestId, $libraryId, $titleId, $now): ?bool {
            $this->answerRequests->lock($titleId);
            $request = DB::selectOne(
                "select r.* from requests r join cards c on c.id = r.card_id
                    where r.id = ? and r.library_id = ? and r.title_id is null and r.state = 'open' for no key update",
                [$requestId, $libraryId],
            );
            if ($request === null) {
                return null;
            }
            // Who asks for the title already asks for it once, with the wishes of both.
            $other = DB::table('requests')
                ->where(['card_id' => $request->card_id, 'title_id' => $titleId, 'state' => 'open'])
                ->first();
            if ($other !== null) {
                DB::table('requests')->where('id', $other->id)->delete();
            }
            DB::table('requests')
                ->where('id', $requestId)
                ->update([
                    'title_id' => $titleId,
                    'wants_notice' => $request->wants_notice || $other?->wants_notice,
                    'wants_hold' => $request->wants_hold || $other?->wants_hold,
                    'asked_at' => min($request->asked_at, $other->asked_at ?? $request->asked_at),
                ]);
            $licences = array_filter(
                $this->usableLicences->of($libraryId, [$titleId], $now)[$titleId],
                fn(Licence $licence): bool => $licence->hasFuture($now),
            );
            if ($licences === []) {
                return false;
            }
            $this->answerRequests->here(
                libraryId: $libraryId,
                titleId: $titleId,
                shared: false,
                line: array_filter($licences, fn(Licence $licence): bool => $licence->canFillHolds($now)) !== [],
                from: max(
                    $now,
                    min(array_map(fn(Licence $licence): DateTimeImmutable => $licence->startsAt, $licences)),
                ),
                now: $now,
            );
            $this->fillFreeCopies->ofTitle($titleId, $now);

            return true;
        }, attempts: 3);
    }
}
