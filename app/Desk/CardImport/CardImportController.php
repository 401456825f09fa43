<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Desk\Uploads\ReceiveUpload;
use App\Exchange\Csv\CsvFile;
use App\Lending\LoanRules\PatronGroups;
use App\Models\CardImport;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Patrons from a file: sent, looked at, taken in, undone. */
final class CardImportController
{
    public function __construct(private readonly CardImports $imports, private readonly TakeCardFile $take) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff, PatronGroups $groups): View
    {
        return view('desk.card-import.files', [
            'staff' => $staff,
            'imports' => $this->imports->last($staff->library_id),
            'groups' => $groups->of($staff->library_id),
        ]);
    }

    public function store(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ReceiveUpload $receive,
        PatronGroups $groups,
    ): RedirectResponse {
        $known = $groups->of($staff->library_id);
        $group = Input::text($request, 'group');
        $leavers = Input::text($request, 'leavers');
        $expires = Input::text($request, 'expires');
        $at = DateTimeImmutable::createFromFormat('!Y-m-d', $expires);
        $wrong = array_filter([
            'group' => in_array($group, $known, true) ? null : __('patrons.no_such_group'),
            'leavers' => $leavers === '' || in_array($leavers, $known, true) ? null : __('patrons.no_such_group'),
            'expires' =>
                $expires === '' || ($at !== false && $at->format('Y-m-d') === $expires) ? null : __('patrons.bad_day'),
        ]);
        if ($wrong !== []) {
            return redirect()->route('desk.patrons.files')->withInput()->withErrors($wrong);
        }
        $uploads = $receive->whole($staff, explode(',', Input::text($request, 'uploads')));
        if ($uploads === []) {
            return redirect()->route('desk.patrons.files')->withInput()->with('refusal', __('files.nothing_sent'));
        }
        $settings = ['group' => $group, 'expires' => $expires ?: null, 'leavers' => $leavers ?: null];
        $import = $this->take->read($staff, $uploads[0], $settings, CarbonImmutable::now());

        return redirect()->route('desk.patrons.file', $import);
    }

    public function show(Request $request, CardImport $import, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $counts = $this->imports->counts($import);
        $asked = Input::text($request, 'outcome');
        $first = array_key_first(array_filter($counts)) ?? 'new';
        $outcome = in_array($asked, CardImports::OUTCOMES, true) ? $asked : $first;

        return view($request->header('HX-Request') === 'true' ? 'desk.card-import.progress' : 'desk.card-import.file', [
            'staff' => $staff,
            'import' => $import,
            'counts' => $counts,
            'outcome' => $outcome,
            'page' => $this->imports->rows($import, $outcome),
            'progress' => $this->imports->progress($import),
        ]);
    }

    public function apply(CardImport $import, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return $this->begun($import, $this->take->apply($import, $staff));
    }

    public function undo(CardImport $import, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return $this->begun($import, $this->take->undo($import, $staff));
    }

    public function discard(CardImport $import): RedirectResponse
    {
        $this->take->discard($import);

        return redirect()->route('desk.patrons.files')->with('said', __('card_import.discarded'));
    }

    public function pins(CardImport $import): StreamedResponse
    {
        $rows = function () use ($import): iterable {
            foreach ($this->imports->pins($import) as $row) {
                yield [
                    $row->card?->number,
                    $row->given['name'] ?? '',
                    $row->given['class'] ?? '',
                    (string) decrypt((string) $row->pin),
                ];
            }
        };

        return CsvFile::response(
            'pins',
            [__('patrons.number'), __('patrons.name'), __('patrons.class'), 'PIN'],
            $rows(),
        );
    }

    public function forgetPins(CardImport $import): RedirectResponse
    {
        $this->take->forgetPins($import);

        return redirect()->route('desk.patrons.file', $import)->with('said', __('card_import.pins_forgotten'));
    }

    private function begun(CardImport $import, bool $begun): RedirectResponse
    {
        $answer = redirect()->route('desk.patrons.file', $import);

        return $begun ? $answer : $answer->with('refusal', __('card_import.begun_already'));
    }
}
