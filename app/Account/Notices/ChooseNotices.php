<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Person;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/** Sets of what a person is told, in the application, by mail and on their devices. */
final class ChooseNotices
{
    /**
     * @param  list<NoticeKind>  $shown
     * @param  list<NoticeKind>  $mailed
     * @param  list<NoticeKind>|null  $pushed  null leaves it as it was
     */
    public function __invoke(Person $person, array $shown, array $mailed, ?array $pushed = null): void
    {
        DB::table('notice_choices')->upsert(
            array_map(
                fn(NoticeKind $kind): array => [
                    'person_id' => $person->id,
                    'kind' => $kind->value,
                    'shown' => in_array($kind, $shown, true),
                    'mailed' => in_array($kind, $mailed, true),
                    ...$pushed === null ? [] : ['pushed' => in_array($kind, $pushed, true)],
                ],
                NoticeKind::cases(),
            ),
            ['person_id', 'kind'],
        );
    }
}
