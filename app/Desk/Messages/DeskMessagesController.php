<?php

declare(strict_types=1);

namespace App\Desk\Messages;

use App\Account\Messages\OpenMessages;
use App\Catalogue\Rooms\LibraryRooms;
use App\Lending\LoanRules\PatronGroups;
use App\Models\Message;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

/** What the library tells its patrons. */
final class DeskMessagesController
{
    public function __construct(
        private readonly WriteMessage $write,
        private readonly PatronGroups $groups,
        private readonly LibraryRooms $rooms,
    ) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff, OpenMessages $messages): View
    {
        return view('desk.messages.messages', [
            'rooms' => $this->rooms->names($staff->library),
            'staff' => $staff,
            'messages' => $messages->all($staff->library),
            'today' => OpenMessages::day($staff->library, CarbonImmutable::now()),
        ]);
    }

    public function create(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return $this->form($staff, new Message());
    }

    public function store(MessageRequest $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse|View
    {
        $now = CarbonImmutable::now();
        $facts = $request->facts($staff, $this->groups, $this->rooms, OpenMessages::day($staff->library, $now));
        if ($request->boolean('look')) {
            return $this->form($staff, $this->write->draft(new Message(), $facts), looked: true);
        }
        $this->write->write($staff, $facts, $now);

        return redirect()->route('desk.messages')->with('said', __('messages.written'));
    }

    public function edit(Message $message, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return $this->form($staff, $message);
    }

    public function change(
        MessageRequest $request,
        Message $message,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse|View {
        $now = CarbonImmutable::now();
        $facts = $request->facts($staff, $this->groups, $this->rooms, OpenMessages::day($staff->library, $now));
        if ($request->boolean('look')) {
            return $this->form($staff, $this->write->draft($message, $facts), looked: true);
        }
        $this->write->change($staff, $message, $facts, $now);

        return redirect()->route('desk.messages')->with('said', __('messages.changed'));
    }

    public function remove(Message $message, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->write->remove($staff, $message, CarbonImmutable::now());

        return redirect()->route('desk.messages')->with('said', __('messages.removed'));
    }

    private function form(StaffMember $staff, Message $message, bool $looked = false): View
    {
        return view('desk.messages.message', [
            'rooms' => $this->rooms->names($staff->library),
            'staff' => $staff,
            'message' => $message,
            'looked' => $looked,
            'groups' => $this->groups->of($staff->library_id),
        ]);
    }
}
