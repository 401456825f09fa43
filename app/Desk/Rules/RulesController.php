<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use App\Lending\LoanRules\LibraryRules;
use App\Lending\LoanRules\PatronGroups;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The loan rules as one table, and what a change of them would do. */
final class RulesController
{
    public function __construct(
        private readonly LibraryRules $rules,
        private readonly PatronGroups $groups,
        private readonly ChangeRule $change,
    ) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff, RuleChanges $changes): View
    {
        return view('desk.rules.rules', [
            'staff' => $staff,
            'table' => $this->rules->table($staff->library_id),
            'groups' => $this->groups->of($staff->library_id),
            'changes' => $changes->last($staff->library_id),
        ]);
    }

    public function edit(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        [$group, $format] = $this->scope($request, $staff);
        $table = $this->rules->table($staff->library_id);

        return view('desk.rules.rule', [
            'staff' => $staff,
            'group' => $group,
            'format' => $format,
            'rule' => $table->rule($group, $format),
            'table' => $table,
        ]);
    }

    /** Shows what it would do; or does it, once that has been seen. */
    public function change(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        RuleEffects $effects,
    ): View|RedirectResponse {
        [$group, $format] = $this->scope($request, $staff);
        $back = ['group' => $group, 'format' => $format?->value];
        $input = RuleInput::of($request, $group, $format, $staff->library->zone());
        $table = $this->rules->table($staff->library_id);
        $impossible = $table->impossibleDefault($input->rule);
        $wrong = [
            ...$impossible === null ? [] : ['default_length' => __('rules.wrong.default_not_offered')],
            ...$input->wrong,
        ];
        if ($wrong !== []) {
            return redirect()->route('desk.rule', $back)->withInput()->withErrors($wrong);
        }
        $now = CarbonImmutable::now();
        if (Input::text($request, 'sure') !== '1') {
            return view('desk.rules.preview', [
                'staff' => $staff,
                'group' => $group,
                'format' => $format,
                'before' => $table->rule($group, $format),
                'after' => $input->rule,
                'input' => $input,
                'effects' => $effects->of(
                    $staff->library_id,
                    $table,
                    $table->with($input->rule),
                    $this->groups->of($staff->library_id),
                    $now,
                ),
            ]);
        }

        return $this->change->change($staff, $input->rule, $input->seen, $input->from, $now)
            ? redirect()
                ->route('desk.rules')
                ->with('said', $input->from === null ? __('rules.changed') : __('rules.planned'))
            : redirect()->route('desk.rule', $back)->withInput()->with('refusal', __('rules.meanwhile'));
    }

    public function undo(Request $request, int $change, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return $this->change->undo($staff, $change, CarbonImmutable::now())
            ? redirect()->route('desk.rules')->with('said', __('rules.undone'))
            : redirect()->route('desk.rules')->with('refusal', __('rules.not_undone'));
    }

    public function group(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $group = Input::text($request, 'name');
        $isKnown = in_array(
            mb_strtolower($group),
            array_map(mb_strtolower(...), $this->groups->of($staff->library_id)),
            true,
        );
        if ($group === '' || mb_strlen($group) > 24 || $isKnown) {
            return redirect()->route('desk.rules')->withInput()->with('refusal', __('rules.wrong.group'));
        }
        $this->change->addGroup($staff, $group, CarbonImmutable::now());

        return redirect()
            ->route('desk.rule', ['group' => $group])
            ->with('said', __('rules.group_added'));
    }

    /** @return array{string|null, Format|null} */
    private function scope(Request $request, StaffMember $staff): array
    {
        $group = Input::text($request, 'group');
        $format = Input::text($request, 'format');
        $group === '' || in_array($group, $this->groups->of($staff->library_id), true) || abort(404);
        $format === '' || Format::tryFrom($format)?->isLent() || abort(404);

        return [$group === '' ? null : $group, Format::tryFrom($format)];
    }
}
