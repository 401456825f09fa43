<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Models\Batch;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Many titles at once: chosen, looked at, changed, undone. */
final class BatchesController
{
    public function __construct(private readonly Batches $batches, private readonly TakeBatch $take) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.batches.batches', [
            'staff' => $staff,
            'find' => mb_substr(Input::text($request, 'find'), 0, 200),
            'lists' => $this->batches->lists($staff->library_id),
            'batches' => $this->batches->last($staff->library_id),
        ]);
    }

    public function look(
        BatchRequest $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ChosenTitles $chosen,
    ): RedirectResponse {
        $now = CarbonImmutable::now();
        $facts = $request->facts($staff, $now);
        $unknown = [];
        switch ((string) $request->string('choose')) {
            case 'search':
                $words = (string) $request->string('find');
                $titles = $chosen->bySearch($staff->library, $words);
                $how = __('batches.by_search', ['words' => $words]);
                break;
            case 'list':
                $list = $request->list($staff, 'from_list');
                $titles = $chosen->byList($list, $now);
                $how = __('batches.by_list', ['list' => $list->name]);
                break;
            default:
                [$titles, $unknown] = $chosen->byNumbers($request->numbers());
                $how = __('batches.by_numbers');
        }
        if ($titles === []) {
            return redirect()
                ->route('desk.batches')
                ->withInput($request->except('file'))
                ->with('refusal', __('batches.none_found'));
        }

        return redirect()->route(
            'desk.batch',
            $this->take->look(
                by: $staff,
                what: $request->what(),
                facts: $facts,
                chosen: $how,
                titles: $titles,
                unknown: $unknown,
                now: $now,
            ),
        );
    }

    public function show(Request $request, Batch $batch, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $counts = $this->batches->counts($batch);
        $asked = Input::text($request, 'outcome');
        $first = array_key_first(array_filter($counts)) ?? 'ready';
        $outcome = in_array($asked, Batches::OUTCOMES, true) ? $asked : $first;

        return view($request->header('HX-Request') === 'true' ? 'desk.batches.progress' : 'desk.batches.batch', [
            'staff' => $staff,
            'batch' => $batch,
            'counts' => $counts,
            'outcome' => $outcome,
            'page' => $this->batches->rows($batch, $outcome),
            'progress' => $this->batches->progress($batch),
            'costs' => $this->batches->costs($batch, $counts['ready']),
        ]);
    }

    public function apply(Batch $batch, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return $this->begun($batch, $this->take->apply($batch, $staff));
    }

    public function undo(Batch $batch, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return $this->begun($batch, $this->take->undo($batch, $staff));
    }

    public function discard(Batch $batch): RedirectResponse
    {
        $this->take->discard($batch);

        return redirect()->route('desk.batches')->with('said', __('batches.discarded'));
    }

    private function begun(Batch $batch, bool $begun): RedirectResponse
    {
        $answer = redirect()->route('desk.batch', $batch);

        return $begun ? $answer : $answer->with('refusal', __('batches.begun_already'));
    }
}
