<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Identifier;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Of which work a title is. */
final class WorkController
{
    public function __invoke(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        SayWork $say,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        $back = redirect()->route('desk.record', $title);
        $do = Input::text($request, 'do');
        if ($do === 'together') {
            $other = self::named(Input::text($request, 'other'));
            if ($other === null || $other->is($title)) {
                return $back->withInput()->withErrors(['other' => __('records.work_unknown')]);
            }
            $say->together($staff, $title, $other, $now);
        } elseif ($do === 'apart') {
            $say->apart($staff, $title, $now);
        } else {
            $say->asRecordSays($staff, $title, $now);
        }

        return $back->with('said', __('records.saved'));
    }

    /** By the number in its address, the address, or its standard number. */
    private static function named(string $text): ?Title
    {
        if (preg_match('~^(?:\S*/titles/)?(\d{1,9})(?:[/?#]\S*)?$~D', $text, $m) === 1) {
            $title = Title::query()->find((int) $m[1]);
        }
        $number = Identifier::parse($text)?->number;

        return $title ??
            ($number === null
                ? null
                : Title::query()
                    ->whereRaw('numbers @> array[?]', [$number])
                    ->orderBy('id')
                    ->first());
    }
}
