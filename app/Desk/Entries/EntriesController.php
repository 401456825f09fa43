<?php

declare(strict_types=1);

namespace App\Desk\Entries;

use App\Catalogue\Records\ArrangeEntries;
use App\Catalogue\Records\EntryKind;
use App\Desk\Batches\TakeBatch;
use App\Models\Contributor;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\TitleNames;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\BatchAction;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** People, series and subjects as entries of their own: looked for, named anew, made one. */
final class EntriesController
{
    private const SHOWN_TITLES = 100;

    public function __construct(private readonly FindEntries $find, private readonly TakeBatch $take) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $kind = EntryKind::tryFrom(Input::text($request, 'kind')) ?? EntryKind::Person;
        $find = mb_substr(Input::text($request, 'find'), 0, 200);

        return view('desk.entries.entries', [
            'staff' => $staff,
            'kind' => $kind,
            'find' => $find,
            'page' => $this->find->page($kind, $find),
        ]);
    }

    public function show(
        EntryKind $entryKind,
        int $entry,
        #[CurrentUser('staff')] StaffMember $staff,
        ArrangeEntries $entries,
    ): View {
        $kind = $entryKind;
        $named = $kind->query()->findOrFail($entry);
        $titles = Title::query()
            ->whereIn('id', $kind->titles($entry))
            ->orderBy('name')
            ->orderBy('id')
            ->limit(self::SHOWN_TITLES)
            ->get();
        TitleNames::giveTo($titles);

        return view('desk.entries.entry', [
            'staff' => $staff,
            'kind' => $kind,
            'entry' => $named,
            'forms' => $entries->forms($kind, $entry),
            'titles' => $titles,
            'count' => $kind->titles($entry)->count(),
        ]);
    }

    public function rename(
        Request $request,
        EntryKind $entryKind,
        int $entry,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $kind = $entryKind;
        $named = $kind->query()->findOrFail($entry);
        $name = trim(Input::text($request, 'name'));
        if ($name === '' || mb_strlen($name) > ArrangeEntries::LONGEST || preg_match('/[\r\n\t]/', $name) === 1) {
            return $this->refused($kind, $entry, __('entries.needs_name'));
        }
        $sort = trim(Input::text($request, 'sort_name'));
        $facts =
            $named instanceof Contributor
                ? ['sort' => $sort === '' ? $name : mb_substr($sort, 0, 255), 'sort_was' => $named->sort_name]
                : [];
        if ($name === $named->name && ($facts['sort'] ?? null) === ($facts['sort_was'] ?? null)) {
            return $this->refused($kind, $entry, __('entries.same_name'));
        }
        $other = $kind->query()->where('name', $name)->whereKeyNot($entry)->first();
        if ($other !== null) {
            return $this->refused($kind, $entry, __('entries.name_taken', ['name' => $name]));
        }

        return $this->look($staff, BatchAction::RenameEntry, $kind, $entry, [
            'from' => $named->name,
            'to' => $name,
            ...$facts,
        ]);
    }

    public function merge(
        Request $request,
        EntryKind $entryKind,
        int $entry,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $kind = $entryKind;
        $named = $kind->query()->findOrFail($entry);
        $into = $this->find->named($kind, trim(Input::text($request, 'into')));
        if ($into === null || $into->id === $entry) {
            return $this->refused($kind, $entry, __('entries.needs_other'));
        }

        return $this->look($staff, BatchAction::MergeEntries, $kind, $entry, [
            'from' => $named->name,
            'to' => $into->name,
            'into' => $into->id,
            ...$named instanceof Contributor ? ['sort_was' => $named->sort_name] : [],
        ]);
    }

    /** @param  array<string, string|int>  $facts */
    private function look(
        StaffMember $staff,
        BatchAction $what,
        EntryKind $kind,
        int $entry,
        array $facts,
    ): RedirectResponse {
        return redirect()->route(
            'desk.batch',
            $this->take->look(
                by: $staff,
                what: $what,
                facts: ['kind' => $kind->value, 'entry' => $entry] + $facts,
                chosen: __("entries.kinds.{$kind->value}"),
                titles: array_values(array_map(intval(...), $kind->titles($entry)->pluck('title_id')->all())),
                unknown: [],
                now: CarbonImmutable::now(),
            ),
        );
    }

    private function refused(EntryKind $kind, int $entry, string $why): RedirectResponse
    {
        return redirect()
            ->route('desk.entry', [$kind, $entry])
            ->withInput()
            ->with('refusal', $why);
    }
}
