<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Models\Person;
use App\Models\PushDevice;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** What a person has chosen for themselves. */
final class Choices
{
    /** @return array<string, array{shown: bool, mailed: bool, pushed: bool}> by kind of notice, every one of them */
    public function notices(Person $person): array
    {
        $chosen = DB::table('notice_choices')->where('person_id', $person->id)->get()->keyBy('kind');

        return array_combine(
            array_column(NoticeKind::cases(), 'value'),
            array_map(
                fn(NoticeKind $kind): array => [
                    'shown' => $chosen[$kind->value]->shown ?? true,
                    'mailed' => $chosen[$kind->value]->mailed ?? true,
                    'pushed' => $chosen[$kind->value]->pushed ?? true,
                ],
                NoticeKind::cases(),
            ),
        );
    }

    /** @return Collection<int, PushDevice> that show this person's notices, the newest first */
    public function devices(Person $person): Collection
    {
        return PushDevice::query()->where('person_id', $person->id)->orderByDesc('added_at')->orderByDesc('id')->get();
    }
}
