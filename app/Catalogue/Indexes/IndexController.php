<?php

declare(strict_types=1);

namespace App\Catalogue\Indexes;

use App\Shared\Input;
use App\Shared\RequestContext;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The people, series, subjects and awards of a library's catalogue, from A to Z or the most titles first. */
final class IndexController
{
    public function __construct(private readonly RequestContext $current, private readonly LibraryIndex $index) {}

    public function __invoke(Request $request, string $index): View
    {
        $kind = IndexKind::from($index);
        $library = $this->current->requiredLibrary();
        $letters = $this->index->letters($library, $kind);
        $asked = mb_strtoupper(Input::text($request, 'letter'));
        $letter = isset($letters[$asked]) ? $asked : null;
        $order = in_array(Input::text($request, 'order'), LibraryIndex::ORDERS, true)
            ? Input::text($request, 'order')
            : 'name';

        return view('catalogue.indexes.index', [
            'kind' => $kind,
            'letters' => $letters,
            'letter' => $letter,
            'order' => $order,
            'page' => $this->index
                ->page($library, $kind, $letters, $letter, $order)
                ->appends(
                    array_filter([
                        ...$this->current->inAddress(),
                        'letter' => $letter,
                        'order' => $order === 'name' ? null : $order,
                    ]),
                ),
        ]);
    }
}
