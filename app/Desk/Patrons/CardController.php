<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangesMade;
use App\Lending\Household\Household;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\LoanRules\PatronGroups;
use App\Models\Card;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** One card: how it stands, in one look, and what can be done for whose it is. What they read is not here. */
final class CardController
{
    private const LONGEST_REASON = 300;

    public function __construct(private readonly ChangeCard $change) {}

    public function show(
        Request $request,
        Card $card,
        #[CurrentUser('staff')] StaffMember $staff,
        LibraryRules $rules,
        PatronGroups $groups,
        ChangesMade $changes,
        FindPatrons $find,
        Household $household,
    ): View {
        $pin = $request->session()->get('pin');
        $now = CarbonImmutable::now();

        return view('desk.patrons.card', [
            'staff' => $staff,
            'card' => $card,
            'terms' => $rules->usual($card),
            'groups' => array_values(array_unique([...$groups->of($staff->library_id), $card->patron_group])),
            'mayRename' => ChangeCard::mayRename($card),
            'pin' => is_string($pin) ? decrypt($pin) : null,
            'isChild' => $rules->usual($card)->audienceCeiling !== Audience::Adult,
            'adults' => $household->adultsOf($card),
            'changes' => $changes->ofCard($card),
            'other' => $find->ofLibrary($staff->library, (int) $request->session()->get('merge_with')),
            'yearOn' => max($card->expires_at ?? $now, $now)
                ->setTimezone($staff->library->zone())
                ->addYear(),
            'now' => $now,
        ]);
    }

    public function describe(
        CardRequest $request,
        Card $card,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $person =
            ChangeCard::mayRename($card) && $request->name() !== ''
                ? ['name' => $request->name(), 'email' => $request->email()]
                : null;
        $of = ['patron_group' => $request->group(), 'class' => $request->schoolClass()];
        $this->change->describe($staff, $card, $person, $of, CarbonImmutable::now());

        return $this->said($card, __('patrons.kept'));
    }

    public function renew(Request $request, Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $day = Input::text($request, 'expires');
        $at = DateTimeImmutable::createFromFormat('!Y-m-d', $day);
        $isDay = $at !== false && $at->format('Y-m-d') === $day && $day > '2000-01-01' && $day < '2200-01-01';
        if ($day !== '' && !$isDay) {
            return $this->refused($card, __('patrons.bad_day'));
        }
        $until = CardRequest::endOfDay($day === '' ? null : $day, $staff->library->zone());
        $this->change->renew($staff, $card, $until, CarbonImmutable::now());

        return $this->said($card, $day === '' ? __('patrons.renewed_for_good') : __('patrons.renewed'));
    }

    public function block(Request $request, Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $reason = mb_substr(Input::text($request, 'reason'), 0, self::LONGEST_REASON);
        if ($reason === '') {
            return $this->refused($card, __('patrons.needs_reason'));
        }
        $this->change->block($staff, $card, $reason, CarbonImmutable::now());

        return $this->said($card, __('patrons.blocked_now'));
    }

    public function unblock(Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->change->unblock($staff, $card, CarbonImmutable::now());

        return $this->said($card, __('patrons.unblocked_now'));
    }

    public function pin(Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $pin = $this->change->newPin($staff, $card, CarbonImmutable::now());

        return $this->said($card, __('patrons.new_pin_made'))->with('pin', encrypt($pin));
    }

    public function replace(Request $request, Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $number = CardNumber::plain(Input::text($request, 'number'));
        if ($number !== '' && !CardNumber::isOne($number)) {
            return $this->refused($card, __('patrons.bad_number'));
        }
        $made = $this->change->replace($staff, $card, $number === '' ? null : $number, CarbonImmutable::now());

        return $made === null
            ? $this->refused($card, __('patrons.number_taken', ['number' => $number]))
            : $this->said($card, __('patrons.replaced', ['number' => $made]));
    }

    public function erase(
        Request $request,
        Card $card,
        #[CurrentUser('staff')] StaffMember $staff,
        EndCard $end,
    ): RedirectResponse {
        if (CardNumber::plain(Input::text($request, 'number')) !== $card->number) {
            return $this->refused($card, __('patrons.type_number'));
        }
        $end->erase($staff, $card, CarbonImmutable::now());

        return redirect()->route('desk.patrons')->with('said', __('patrons.erased'));
    }

    public function merge(
        Request $request,
        Card $card,
        #[CurrentUser('staff')] StaffMember $staff,
        FindPatrons $find,
        EndCard $end,
    ): RedirectResponse {
        $other = $find->byNumber($staff->library, Input::text($request, 'number'));
        if ($other === null || $other->id === $card->id) {
            return $this->refused($card, __('patrons.merge_needs_number'));
        }
        if (Input::text($request, 'sure') !== (string) $other->id) {
            return $this->said($card, '')->with(['said' => null, 'merge_with' => $other->id]);
        }
        $end->merge($staff, $card, $other, CarbonImmutable::now());

        return $this->said($card, __('patrons.merged', ['number' => $other->number]));
    }

    private function said(Card $card, string $what): RedirectResponse
    {
        return redirect()->route('desk.card', $card)->with('said', $what);
    }

    private function refused(Card $card, string $why): RedirectResponse
    {
        return redirect()->route('desk.card', $card)->withInput()->with('refusal', $why);
    }
}
