<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Desk\Files\LicenceForEach;
use App\Desk\Uploads\ReceiveUpload;
use App\Exchange\Records\ComparedRecord;
use App\Exchange\Records\ExportRecords;
use App\Exchange\Records\FaultText;
use App\Models\RecordImport;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Exchange\Table\ColumnNames;
use FigPorch\Core\Exchange\UnreadableRecord;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Catalogue records from a file: sent, looked at, taken in; and those of the library's own titles as a file. */
final class RecordImportController
{
    public function __construct(private readonly RecordImports $imports, private readonly TakeRecordFile $take) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.record-import.files', [
            'staff' => $staff,
            'imports' => $this->imports->last($staff->library_id),
        ]);
    }

    public function store(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ReceiveUpload $receive,
    ): RedirectResponse {
        $terms = LicenceForEach::of($request, $staff->library->shares);
        if (is_array($terms)) {
            return redirect()->route('desk.records.files')->withInput()->withErrors($terms);
        }
        try {
            $columns = ColumnNames::of(
                array_values(array_filter(array_map(trim(...), explode("\n", Input::text($request, 'columns'))))),
            );
        } catch (UnreadableRecord $wrong) {
            return redirect()
                ->route('desk.records.files')
                ->withInput()
                ->withErrors(['columns' => Str::ucfirst(FaultText::of($wrong->fault))]);
        }
        $uploads = $receive->whole($staff, explode(',', Input::text($request, 'uploads')));
        if ($uploads === []) {
            return redirect()->route('desk.records.files')->withInput()->with('refusal', __('files.nothing_sent'));
        }
        $links = OpenTo::tryFrom(Input::text($request, 'links'));
        $import = $this->take->read(
            by: $staff,
            upload: $uploads[0],
            terms: $terms,
            links: $links,
            columns: $columns,
            now: CarbonImmutable::now(),
        );

        return redirect()->route('desk.records.file', $import);
    }

    public function show(Request $request, RecordImport $records, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $counts = $this->imports->counts($records);
        $asked = Input::text($request, 'outcome');
        $first = array_key_first(array_filter($counts)) ?? 'new';
        $outcome = in_array($asked, ComparedRecord::OUTCOMES, true) ? $asked : $first;
        $isPart = $request->header('HX-Request') === 'true';

        return view($isPart ? 'desk.record-import.progress' : 'desk.record-import.file', [
            'staff' => $staff,
            'import' => $records,
            'counts' => $counts,
            'outcome' => $outcome,
            'page' => ($page = $this->imports->rows($records, $outcome)),
            'about' => $this->imports->about($page->items()),
            'progress' => $this->imports->progress($records),
        ]);
    }

    public function choose(Request $request, RecordImport $records): RedirectResponse
    {
        $choice = Input::text($request, 'chosen');
        $chosen = $this->take->choose(
            $records,
            (int) Input::text($request, 'row'),
            chosen: in_array($choice, ['1', 'as_title'], true),
            asTitle: $choice === 'as_title',
        );
        $back = redirect()->route('desk.records.file', [
            'records' => $records->id,
            'outcome' => Input::text($request, 'outcome'),
            'page' => max(1, (int) Input::text($request, 'page')),
        ]);

        return $chosen ? $back : $back->with('refusal', __('card_import.begun_already'));
    }

    public function apply(RecordImport $records, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $answer = redirect()->route('desk.records.file', $records);

        return $this->take->apply($records, $staff)
            ? $answer
            : $answer->with('refusal', __('card_import.begun_already'));
    }

    public function discard(RecordImport $records): RedirectResponse
    {
        $this->take->discard($records);

        return redirect()->route('desk.records.files')->with('said', __('card_import.discarded'));
    }

    public function export(
        #[CurrentUser('staff')] StaffMember $staff,
        string $form,
        ExportRecords $export,
    ): StreamedResponse {
        [$ending, $type] = [
            'marcxml' => ['xml', 'application/marcxml+xml'],
            'csv' => ['csv', 'text/csv; charset=UTF-8'],
            'marc' => ['mrc', 'application/marc'],
        ][$form];

        return response()->streamDownload(
            function () use ($staff, $form, $export): void {
                foreach ($export($staff->library, $form) as $piece) {
                    echo $piece;
                }
            },
            "{$staff->library->slug}-" . now()->format('Y-m-d') . ".{$ending}",
            ['Content-Type' => $type, 'Cache-Control' => 'private, no-store'],
        );
    }
}
