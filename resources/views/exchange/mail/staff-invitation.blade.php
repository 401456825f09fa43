{!! __('staff.mail_body', ['inviter' => $inviter, 'library' => $library, 'role' => $role]) !!}

{!! $link !!}

{!! __('staff.mail_end', ['days' => App\Models\StaffInvitation::DAYS]) !!}
