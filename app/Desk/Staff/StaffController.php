<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Models\StaffPost;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Who works at the library, and as what. */
final class StaffController
{
    public function index(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.staff.staff', [
            'staff' => $staff,
            'posts' => StaffPost::query()
                ->with('member')
                ->where('library_id', $staff->library_id)
                ->get()
                ->sortBy('member.name'),
            'invitations' => StaffInvitation::query()
                ->with('inviter')
                ->where('library_id', $staff->library_id)
                ->orderBy('email')
                ->get(),
            'now' => CarbonImmutable::now(),
        ]);
    }

    public function invite(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        InviteStaff $invite,
    ): RedirectResponse {
        $email = Input::text($request, 'email');
        $role = StaffRole::tryFrom(Input::text($request, 'role'));
        if (mb_strlen($email) > 200 || filter_var($email, FILTER_VALIDATE_EMAIL) === false || $role === null) {
            return redirect()->route('desk.staff')->withInput()->with('refusal', __('staff.needs_email_and_role'));
        }
        $link = $invite($staff, $email, $role, CarbonImmutable::now());

        return $link === null
            ? redirect()->route('desk.staff')->with('refusal', __('staff.works_here', ['email' => $email]))
            : redirect()
                ->route('desk.staff')
                ->with(['said' => __('staff.invited', ['email' => $email]), 'invitation_link' => $link]);
    }

    public function withdraw(
        StaffInvitation $invitation,
        #[CurrentUser('staff')] StaffMember $staff,
        WithdrawInvitation $withdraw,
    ): RedirectResponse {
        $withdraw($staff, $invitation, CarbonImmutable::now());

        return redirect()->route('desk.staff')->with('said', __('staff.withdrawn', ['email' => $invitation->email]));
    }

    public function role(
        Request $request,
        StaffMember $member,
        #[CurrentUser('staff')] StaffMember $staff,
        ChangePost $change,
    ): RedirectResponse {
        $role = StaffRole::tryFrom(Input::text($request, 'role')) ?? abort(404);

        return $change($staff, $member, $role, CarbonImmutable::now())
            ? redirect()
                ->route($member->is($staff) ? 'desk.' : 'desk.staff')
                ->with(
                    'said',
                    __('staff.role_changed', [
                        'name' => $member->name,
                        'role' => __("staff.roles.{$role->value}.0"),
                    ]),
                )
            : redirect()->route('desk.staff')->with('refusal', __('staff.last_director'));
    }

    public function end(
        StaffMember $member,
        #[CurrentUser('staff')] StaffMember $staff,
        ChangePost $change,
    ): RedirectResponse {
        return $change($staff, $member, null, CarbonImmutable::now())
            ? redirect()
                ->route($member->is($staff) ? 'desk.' : 'desk.staff')
                ->with('said', __('staff.has_left', ['name' => $member->name]))
            : redirect()->route('desk.staff')->with('refusal', __('staff.last_director'));
    }

    /** Whoever works here may leave, in whatever role. */
    public function leave(#[CurrentUser('staff')] StaffMember $staff, ChangePost $change): RedirectResponse
    {
        return $change($staff, $staff, null, CarbonImmutable::now())
            ? redirect()->route('desk.')
            : redirect()->route('desk.own')->with('refusal', __('staff.last_director'));
    }
}
