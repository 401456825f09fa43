<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Lending\Availability\OwnItems;
use App\Models\Loan;
use App\Models\Mark;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Annotations\Annotation;
use FigPorch\Core\Exchange\Annotations\AnnotationFile;
use FigPorch\Core\Reading\Colour;
use FigPorch\Core\Reading\Locator;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** Bookmarks, highlights and notes while one reads or listens, and all of them on a page of their own. */
final class MarkController
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly Marks $marks,
        private readonly OwnItems $ownItems,
    ) {}

    public function in(Loan $loan): JsonResponse
    {
        return response()->json(
            $this->marks
                ->in($this->current->requiredPerson()->id, $loan->title_id)
                ->map->only(['id', 'locator', 'label', 'note', 'colour'])
                ->values(),
        );
    }

    public function keep(MarkRequest $request, Loan $loan, string $mark, KeepMark $keepMark): JsonResponse
    {
        $kept = $keepMark(
            personId: $this->current->requiredPerson()->id,
            titleId: $loan->title_id,
            id: $mark,
            locator: $request->locator(),
            label: $request->label(),
            note: $request->string('note')->value(),
            colour: $request->colour(),
            removed: $request->boolean('removed'),
            changedAt: $request->changedAt(CarbonImmutable::now()),
        );

        return $kept
            ? response()->json(null, 204)
            : response()->json(['message' => __('marks.too_many_marks', ['most' => KeepMark::MOST])], 409);
    }

    public function index(Request $request): View
    {
        $words = mb_substr(Input::text($request, 'q'), 0, 100);
        $colour = Colour::tryFrom(Input::text($request, 'colour'));
        $person = $this->current->requiredPerson();
        $marks = $this->marks->all($person->id, $words, $colour);

        return view('reading.marks.marks', [
            'marks' => $marks->groupBy('title_id'),
            'words' => $words,
            'colour' => $colour,
            'colours' => ColourNames::of($person),
            'loans' => $this->loans($marks),
        ]);
    }

    /** All that one has marked in a work, in its editions and formats, on one page to read and to print. */
    public function work(Title $title): View
    {
        $person = $this->current->requiredPerson();
        $marks = $this->marks->all($person->id, workId: $title->work_id);

        return view('reading.marks.work', [
            'title' => $title,
            'marks' => $marks->groupBy('title_id'),
            'colours' => ColourNames::of($person),
            'loans' => $this->loans($marks),
        ]);
    }

    /**
     * @param  Collection<int, Mark>  $marks
     * @return array<int, Loan> by title: those in which a mark can be gone to
     */
    private function loans(Collection $marks): array
    {
        $titles = $marks->pluck('title')->unique('id');
        $own = $this->ownItems->of($this->current->requiredPerson(), $titles, CarbonImmutable::now());

        return array_filter($titles->mapWithKeys(fn(Title $of): array => [$of->id => $own->loan($of->id)])->all());
    }

    public function remove(Mark $mark, KeepMark $keepMark): RedirectResponse
    {
        $keepMark(
            personId: $mark->person_id,
            titleId: $mark->title_id,
            id: $mark->id,
            locator: Locator::fromArray($mark->locator),
            label: $mark->label,
            note: '',
            colour: null,
            removed: true,
            changedAt: CarbonImmutable::now(),
        );

        return back()->with('said', __('reading.mark_removed'));
    }

    public function file(string $kind): Response
    {
        $annotations = array_values(
            $this->marks
                ->all($this->current->requiredPerson()->id)
                ->map(
                    fn(Mark $b): Annotation => new Annotation(
                        id: $b->id,
                        source: $b->title->isbn === null ? url("/titles/{$b->title_id}") : "urn:isbn:{$b->title->isbn}",
                        title: $b->title->name,
                        locator: Locator::fromArray($b->locator),
                        label: $b->label,
                        note: $b->note,
                        madeAt: $b->made_at,
                        changedAt: $b->changed_at,
                        colour: $b->colour,
                    ),
                )
                ->all(),
        );

        return $kind === 'md'
            ? response(
                AnnotationFile::markdown(__('reading.marks'), $annotations),
                headers: [
                    'Content-Type' => 'text/markdown; charset=utf-8',
                    'Content-Disposition' => 'attachment; filename="marks.md"',
                ],
            )
            : response(
                AnnotationFile::jsonLd(url('/marks'), __('reading.marks'), $annotations),
                headers: [
                    'Content-Type' => 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"',
                    'Content-Disposition' => 'attachment; filename="marks.jsonld"',
                ],
            );
    }
}
