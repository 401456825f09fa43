<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\AwardFilter;
use App\Catalogue\Filters\ChoiceFilter;
use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\LanguageFilter;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\ValueNames;
use App\Catalogue\Indexes\IndexKind;
use App\Catalogue\Indexes\LibraryIndex;
use App\Shared\Input;
use App\Shared\RequestContext;
use App\Shared\View\TitleText;
use Carbon\CarbonImmutable;
use Collator;
use FigPorch\Core\Catalogue\LanguageName;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** A form that makes a search as text, with filters; and any search, in that form. */
final class AdvancedSearchController
{
    private const MOST_AWARDS = 300;

    public function __invoke(
        Request $request,
        RequestContext $current,
        AskedSearch $asked,
        Pins $pins,
        KnownLanguages $languages,
        LibraryIndex $index,
    ): View|RedirectResponse {
        $form = AdvancedSearchForm::read($request);
        // Fields of the form have names that the histograms beside results have as well.
        $said = array_diff_key($asked->values($request), $form->ranges);
        // How far it goes is no matter of the form, and stays.
        $reach = array_intersect_key($said, ['reach' => 1, 'at' => 1]);
        $isSent = Input::text($request, 'rows') !== '';
        $ticked = Filters::ticked(fn(string $boxes): array => Input::ticked($request, $boxes));
        $pinned = $isSent ? [] : $pins->of($request);
        $filters = Filters::read([...$pinned, ...$said, ...$ticked]);
        if ($isSent && $request->query('go') !== null && $form->unreadable() === []) {
            return redirect()->route(
                'catalogue',
                array_filter([
                    ...$current->inAddress(),
                    'q' => $form->text(),
                    ...$filters->written(),
                    ...$reach,
                    // What was pinned stood in the form: with an order nothing is added to what it says.
                    'order' => $form->text() === '' ? 'newest' : 'relevance',
                ]),
            );
        }
        // What a query says of the language is chosen, too.
        $chosen = array_filter(array_map(LanguageName::code(...), $form->languages));
        $filters = Filters::read([
            ...$filters->written(),
            'language' => implode(
                ChoiceFilter::SEPARATOR,
                array_filter([$filters->get(LanguageFilter::class)->written(), ...$chosen]),
            ),
        ]);
        $codes = array_unique([
            ...$languages->codes(CarbonImmutable::now()),
            ...$filters->get(LanguageFilter::class)->chosen,
        ]);
        $names = array_map(TitleText::language(...), array_combine($codes, $codes));
        Collator::create(app()->getLocale())?->asort($names);

        return view('catalogue.search.advanced', [
            'form' => $form,
            'reach' => $reach,
            'languages' => array_fill_keys(array_keys($names), 0),
            'filters' => $filters,
            'facets' => new Facets(names: self::names($filters)),
            'pinned' => $pinned,
            'awards' => array_unique([
                ...$index->names($current->requiredLibrary(), IndexKind::Awards, self::MOST_AWARDS),
                ...$filters->get(AwardFilter::class)->chosen,
            ]),
            'unreadable' => $request->query('go') === null ? [] : $form->unreadable(),
        ]);
    }

    /** @return array<string, array<int, string>> by filter, the names of those values that are numbers */
    private static function names(Filters $filters): array
    {
        $chosen = [];
        foreach ($filters->of(ListFilter::class) as $list) {
            $chosen[$list::name()] = $list->chosen;
        }

        return ValueNames::of($chosen);
    }
}
