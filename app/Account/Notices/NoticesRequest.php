<?php

declare(strict_types=1);

namespace App\Account\Notices;

use FigPorch\Core\Lending\NoticeGroup;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Foundation\Http\FormRequest;

/**
 * Of what somebody wants to be told: kind by kind, and by groups. A group that was switched goes for all of its kinds;
 * "was" says how its switch stood when the page was made: 1, 0, or "some".
 */
final class NoticesRequest extends FormRequest
{
    /**
     * @param  'shown'|'mailed'|'pushed'  $way
     * @return list<NoticeKind>
     */
    public function chosen(string $way): array
    {
        $chosen = [];
        foreach (NoticeGroup::cases() as $group) {
            $was = $this->input("was.{$way}.{$group->value}");
            $is = $this->boolean("group.{$way}.{$group->value}");
            $switched = match ($was) {
                '1', 'some' => !$is,
                '0' => $is,
                default => false,
            };
            foreach ($group->kinds() as $kind) {
                if ($switched ? $is : $this->boolean("{$way}.{$kind->value}")) {
                    $chosen[] = $kind;
                }
            }
        }

        return $chosen;
    }
}
