<?php

declare(strict_types=1);

namespace App\Http\Controllers\Reading;

use App\Actions\Reading\KeepBookmark;
use App\Http\Current;
use App\Http\Input;
use App\Http\Requests\Reading\BookmarkRequest;
use App\Models\Bookmark;
use App\Models\Loan;
use App\Queries\Reading\Bookmarks;
use FigPorch\Core\Exchange\Annotations\Annotation;
use FigPorch\Core\Exchange\Annotations\AnnotationFile;
use FigPorch\Core\Reading\Locator;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;

/** Bookmarks while one reads or listens, and all of them on a page of their own. */
final class BookmarkController
{
    public function __construct(private readonly Current $current, private readonly Bookmarks $bookmarks)
    {
    }

    public function in(Loan $loan): JsonResponse
    {
        Gate::allows('own', $loan) || abort(404);

        return response()->json($this->bookmarks->in($this->current->person->id ?? 0, $loan->title_id)->map->only(['id', 'locator', 'label', 'note'])->values());
    }

    public function keep(BookmarkRequest $request, Loan $loan, string $bookmark, KeepBookmark $keepBookmark): JsonResponse
    {
        Gate::allows('own', $loan) || abort(404);
        $kept = $keepBookmark(
            $this->current->person->id ?? 0, $loan->title_id, $bookmark, $request->locator(), $request->label(), $request->string('note')->value(),
            $request->boolean('removed'), $request->changedAt(now()->toImmutable()),
        );

        return $kept ? response()->json(null, 204) : response()->json(['message' => __('reading.too_many_bookmarks', ['most' => KeepBookmark::MOST])], 409);
    }

    public function index(Request $request): View
    {
        $words = mb_substr(Input::text($request, 'q'), 0, 100);

        return view('reading.bookmarks', ['bookmarks' => $this->bookmarks->all($this->current->person->id ?? 0, $words)->groupBy('title_id'), 'words' => $words]);
    }

    public function remove(string $bookmark, KeepBookmark $keepBookmark): RedirectResponse
    {
        $known = Bookmark::query()->where(['person_id' => $this->current->person?->id, 'removed' => false])->findOrFail($bookmark);
        $keepBookmark($known->person_id, $known->title_id, $known->id, Locator::fromArray($known->locator), $known->label, '', true, now()->toImmutable());

        return back()->with('said', __('reading.bookmark_removed'));
    }

    public function file(string $kind): Response
    {
        $annotations = array_values($this->bookmarks->all($this->current->person->id ?? 0)->map(fn (Bookmark $b): Annotation => new Annotation(
            $b->id, $b->title->isbn === null ? url("/titles/{$b->title_id}") : "urn:isbn:{$b->title->isbn}", $b->title->name, Locator::fromArray($b->locator), $b->label, $b->note, $b->made_at, $b->changed_at,
        ))->all());

        return $kind === 'md'
            ? response(AnnotationFile::markdown(__('reading.bookmarks'), $annotations), headers: ['Content-Type' => 'text/markdown; charset=utf-8', 'Content-Disposition' => 'attachment; filename="bookmarks.md"'])
            : response(AnnotationFile::jsonLd(url('/bookmarks'), __('reading.bookmarks'), $annotations), headers: ['Content-Type' => 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"', 'Content-Disposition' => 'attachment; filename="bookmarks.jsonld"']);
    }
}
