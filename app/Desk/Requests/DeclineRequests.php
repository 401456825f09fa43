<?php

declare(strict_types=1);

namespace App\Desk\Requests;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Requests\AnswerRequests;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\TitleRequest;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Staff say why a title will not be got; that they did is written down, and not who asked. */
final class DeclineRequests
{
    public function __construct(
        private readonly AnswerRequests $answerRequests,
        private readonly RecordChange $recordChange,
    ) {}

    /** @return int how many were answered */
    public function ofTitle(StaffMember $by, Title $title, string $why, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($by, $title, $why, $now): int {
            $count = $this->answerRequests->decline($by->library_id, $title->id, $why, $by->id, $now);
            $count > 0 && $this->record($by, $title->name, $why, $now);

            return $count;
        });
    }

    /** @return bool whether it was open still */
    public function inWords(StaffMember $by, TitleRequest $asked, string $why, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $asked, $why, $now): bool {
            $was = $this->answerRequests->declineInWords($by->library_id, $asked->id, $why, $by->id, $now);
            $was && $this->record($by, (string) $asked->name, $why, $now);

            return $was;
        });
    }

    private function record(StaffMember $by, string $name, string $why, DateTimeImmutable $now): void
    {
        ($this->recordChange)($by, ChangeKind::RequestDeclined, "“{$name}”", ['answer' => [null, $why]], $now);
    }
}
