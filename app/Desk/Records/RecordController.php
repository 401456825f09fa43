<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\RecordText;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\View\View;

/** The record of a title: every field, what was changed, and back. */
final class RecordController
{
    /** Other titles of its work that are named. */
    private const OF_WORK = 20;

    public function edit(Title $title, #[CurrentUser('staff')] StaffMember $staff, RecordChanges $changes): View
    {
        $texts = RecordText::of(RecordOfTitle::of($title));

        return view('desk.records.record', [
            'staff' => $staff,
            'title' => $title,
            'texts' => $texts,
            'people' => RecordInput::people($texts['contributors']),
            'changes' => $changes->of($title->id),
            'ofWork' => Title::query()
                ->where('work_id', $title->work_id)
                ->whereKeyNot($title->id)
                ->orderBy('id')
                ->limit(self::OF_WORK)
                ->get(),
        ]);
    }

    public function save(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        EditRecord $edit,
    ): RedirectResponse {
        $texts = RecordInput::texts($request);
        [, $wrong] = RecordText::with(RecordOfTitle::of($title), $texts);
        if ($wrong !== []) {
            return redirect()
                ->route('desk.record', $title)
                ->withInput()
                ->withErrors(
                    array_combine($wrong, array_map(fn(string $of): string => __("records.wrong.{$of}"), $wrong)),
                );
        }
        $crossed = $edit($staff, $title, RecordInput::seen($request), $texts, CarbonImmutable::now());
        if ($crossed !== []) {
            $is = RecordText::of(RecordOfTitle::of($title->refresh()));

            return redirect()
                ->route('desk.record', $title)
                ->withInput()
                ->withErrors(
                    array_combine(
                        $crossed,
                        array_map(fn(string $of): string => __('records.crossed', ['now' => $is[$of]]), $crossed),
                    ),
                )
                ->with('refusal', __('records.meanwhile'));
        }

        return redirect()->route('desk.record', $title)->with('said', __('records.saved'));
    }

    /** A cover that is sent, or none any more. */
    public function cover(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        KeepCover $keep,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        $back = redirect()->route('desk.record', $title);
        $file = $request->file('cover');
        if (Input::text($request, 'take_off') === '1') {
            $keep->takeOff($staff, $title, $now);

            return $back->with('said', __('records.cover_off'));
        }
        $isGood =
            $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= 1024 * KeepCover::MOST_KILOBYTES;

        return $isGood && $keep($staff, $title, $file, $now)
            ? $back->with('said', __('records.cover_kept'))
            : $back->with('refusal', __('records.cover_wrong', ['most' => KeepCover::MOST_KILOBYTES]));
    }

    public function undo(
        Title $title,
        int $change,
        #[CurrentUser('staff')] StaffMember $staff,
        EditRecord $edit,
    ): RedirectResponse {
        return $edit->undo($staff, $title, $change, CarbonImmutable::now())
            ? redirect()->route('desk.record', $title)->with('said', __('records.undone'))
            : redirect()->route('desk.record', $title)->with('refusal', __('records.not_undone'));
    }
}
