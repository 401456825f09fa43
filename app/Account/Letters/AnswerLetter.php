<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Account\Notices\GiveNotice;
use App\Models\Letter;
use App\Models\StaffMember;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A library answers: in the application and as the patron chose to be told, or by mail to who has no card. */
final class AnswerLetter
{
    private const TOLD_LETTERS = 600;

    public function __construct(private readonly GiveNotice $giveNotice) {}

    /** @return bool false where the patron wrote again meanwhile: nothing was sent */
    public function answer(StaffMember $by, Letter $letter, string $text, int $seen, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $letter, $text, $seen, $now): bool {
            Letter::query()->whereKey($letter->id)->lockForUpdate()->first();
            if ($letter->parts()->where('id', '>', $seen)->exists()) {
                return false;
            }
            $part = $letter->parts()->create([
                'by_staff' => true,
                'staff_member_id' => $by->id,
                'text' => $text,
                'written_at' => Sql::second($now),
            ]);
            $letter->update(['waits' => false, 'last_at' => Sql::second($now)]);
            if ($letter->person_id === null) {
                SendLetterAnswer::dispatch($part->id);
            } else {
                ($this->giveNotice)(
                    $letter->person_id,
                    NoticeKind::LetterAnswered,
                    "letter-answered:{$part->id}",
                    [
                        'library' => $letter->library->short_name,
                        'text' => Str::limit($text, self::TOLD_LETTERS, '…'),
                        'address' => "/letters/{$letter->id}",
                    ],
                    $now,
                );
            }

            return true;
        });
    }

    /** It needs no answer. */
    public function lay(Letter $letter): void
    {
        $letter->update(['waits' => false]);
    }
}
