<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\Filters;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** All values of one filter that a search leaves, to be looked through for the one that is wanted. */
final class ValuesController
{
    public function __invoke(
        Request $request,
        string $filter,
        RequestContext $current,
        AskedSearch $asked,
        CatalogueSearch $catalogue,
        FoundValues $values,
    ): View {
        $now = CarbonImmutable::now();
        [$search, $list] = $asked->of($asked->values($request), $now);
        $of = $search->filters->get(Filters::list($filter));
        $find = mb_substr(Input::text($request, 'find'), 0, 100);
        $order = Input::text($request, 'by') === 'name' ? 'name' : 'titles';

        return view('catalogue.search.values', [
            'search' => $search,
            'filter' => $of,
            'list' => $list,
            'total' => $catalogue->total($search, $now),
            'find' => $find,
            'order' => $order,
            'page' => $values
                ->page($search, $of, $find, $order, $now)
                ->appends([...$current->inAddress(), ...$search->with([]), 'find' => $find, 'by' => $order]),
        ]);
    }
}
