<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Models\Library;
use App\Models\StaffMember;
use App\Models\StaffPost;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** Of whoever works at the Desk, for themselves: name, password, and at which of their libraries they are. */
final class OwnController
{
    public function show(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.sign-in.own', ['staff' => $staff, 'posts' => $staff->posts->load('library')]);
    }

    public function change(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ChangeOwn $change,
    ): RedirectResponse {
        $given = $request->validate(
            [
                'name' => ['required', 'string', 'max:120'],
                'new_password' => ['nullable', ...array_slice(StaffPassword::rules(), 1)],
            ],
            [
                'required' => __('setup.errors.required'),
                'max' => __('setup.errors.max'),
                'new_password.min' => StaffPassword::messages()['password.min'],
            ],
        );
        $password = $request->input('password');
        $outcome = $change(
            $staff,
            $given['name'],
            $given['new_password'] ?? null,
            is_string($password) ? $password : '',
            (string) $request->ip(),
        );
        if ($outcome !== true) {
            throw ValidationException::withMessages([
                'password' =>
                    $outcome === false
                        ? __('staff.wrong_password')
                        : __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ]);
        }

        return redirect()->route('desk.own')->with('said', __('staff.own_kept'));
    }

    public function at(Request $request, Library $library, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $staff->posts->contains(fn(StaffPost $post): bool => $post->library_id === $library->id) || abort(404);
        AtTheDesk::choose($request, $library->id);

        return redirect()->route('desk.')->with('said', __('staff.now_at', ['library' => $library->name]));
    }
}
