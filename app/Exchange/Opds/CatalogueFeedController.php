<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\SeriesFilter;
use App\Catalogue\Filters\SubjectFilter;
use App\Models\StaffList;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The catalogue for reading applications (OPDS); anybody may look, and who signs in sees it as their card has it. */
final class CatalogueFeedController
{
    private const MOST_PAGES = 10_000;

    public function __construct(private readonly RequestContext $current, private readonly CatalogueFeeds $feeds) {}

    public function front(Edition $edition): Response
    {
        return $edition->feed($this->feeds->front($this->at($edition), CarbonImmutable::now()));
    }

    public function rooms(Edition $edition): Response
    {
        return $edition->feed($this->feeds->rooms($this->at($edition), CarbonImmutable::now()));
    }

    public function room(Edition $edition, string $library, string $room): Response
    {
        return $edition->feed($this->feeds->room($this->at($edition), $room, CarbonImmutable::now()) ?? abort(404));
    }

    public function subjects(Request $request, Edition $edition): Response
    {
        return $this->index($request, $edition, 'subjects', SubjectFilter::class);
    }

    public function series(Request $request, Edition $edition): Response
    {
        return $this->index($request, $edition, 'series', SeriesFilter::class);
    }

    public function titles(Request $request, Edition $edition): Response
    {
        $library = $this->current->requiredLibrary();
        $asked = [];
        foreach ([...Filters::names(), 'q', 'order', 'list'] as $name) {
            $asked[$name] = Input::text($request, $name);
        }
        $list =
            $asked['list'] === ''
                ? null
                : StaffList::query()->where('library_id', $library->id)->find((int) $asked['list']) ?? abort(404);
        // The fields of an application's own search form, as our query has them.
        $quoted = fn(string $field, string $words): string => $words === ''
            ? ''
            : "{$field}:\"" . str_replace('"', '', $words) . '"';
        $asked['q'] = trim(
            implode(' ', [
                $asked['q'],
                Input::text($request, 'query'),
                $quoted('title', Input::text($request, 'title')),
                $quoted('author', Input::text($request, 'author')),
            ]),
        );

        return $edition->feed(
            $this->feeds->titles(
                at: $this->at($edition),
                asked: array_filter($asked, fn(string $value): bool => $value !== ''),
                listWords: $list?->words,
                title: match (true) {
                    $list !== null => $list->name,
                    $asked['q'] !== '' => __('opds.found', ['words' => $asked['q']]),
                    default => __('opds.all'),
                },
                now: CarbonImmutable::now(),
            ),
        );
    }

    public function title(Edition $edition, string $library, Title $title, Publications $publications): Response
    {
        return $edition->publication($publications->of($this->at($edition), [$title], CarbonImmutable::now())[0]);
    }

    /** How to search, for applications of the first edition (OpenSearch 1.1). */
    public function search(Edition $edition): Response
    {
        $at = $this->at($edition);

        return response()
            ->view('exchange.opds.search', [
                'name' => $at->library->short_name,
                'type' => $at->edition->acquisition(),
                'template' => $at->of('titles') . '?query={searchTerms}&page={startPage?}',
            ])
            ->header('Content-Type', 'application/opensearchdescription+xml');
    }

    public function authentication(Edition $edition): Response
    {
        return Edition::json(AuthenticationDocument::of($this->at($edition)), AuthenticationDocument::TYPE);
    }

    /** @param  class-string<ListFilter>  $filter */
    private function index(Request $request, Edition $edition, string $path, string $filter): Response
    {
        $page = min(self::MOST_PAGES, max(1, (int) Input::text($request, 'page')));

        return $edition->feed($this->feeds->index($this->at($edition), $path, $filter, $page, CarbonImmutable::now()));
    }

    private function at(Edition $edition): Addresses
    {
        return new Addresses($edition, $this->current->requiredLibrary());
    }
}
