<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Models\Basket;
use App\Shared\Input;
use App\Shared\PageAsked;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\View\View;

/** A patron's baskets: the tree of them, one of them opened, and what is done with them as wholes. */
final class BasketController
{
    private const PER_PAGE = 50;

    private const NAME = 120;

    private const NOTE = 1000;

    public function __construct(
        private readonly OwnBaskets $own,
        private readonly Baskets $baskets,
        private readonly ArrangeBaskets $arrange,
    ) {}

    public function index(Request $request): View|RedirectResponse
    {
        $tree = $this->baskets->tree($this->own->owner($request));

        return $tree === []
            ? view('catalogue.baskets.no-baskets')
            : redirect()->route('baskets.show', $tree[0]['basket']);
    }

    public function show(
        Request $request,
        Basket $basket,
        RequestContext $current,
        TitleAvailability $availability,
        OwnItems $ownItems,
    ): View {
        $now = CarbonImmutable::now();
        $order = in_array(Input::text($request, 'order'), Baskets::ORDERS, true)
            ? Input::text($request, 'order')
            : 'hand';
        $titles = $this->baskets->titles($basket, $order);
        $page = PageAsked::of($titles->count(), self::PER_PAGE);
        $shown = $titles->forPage($page, self::PER_PAGE)->values();

        return view('catalogue.baskets.basket', [
            'tree' => $this->baskets->tree($this->own->owner($request)),
            'basket' => $basket,
            'order' => $order,
            'page' => (new LengthAwarePaginator($shown, $titles->count(), self::PER_PAGE, $page, [
                'path' => Paginator::resolveCurrentPath(),
            ]))->appends(array_filter(['order' => $order === 'hand' ? null : $order])),
            'standings' => $availability->of($current->requiredLibrary(), $shown, $current->card(), $now),
            'own' => $ownItems->of($current->person, $shown, $now, beyond: true),
        ]);
    }

    public function make(Request $request): RedirectResponse
    {
        $name = $this->name($request);
        $into = Input::text($request, 'into');
        $basket =
            $name === ''
                ? null
                : $this->arrange->make(
                    $this->own->ownerToBe($request),
                    $name,
                    $into === '' ? null : $this->own->find($request, $into),
                    CarbonImmutable::now(),
                );

        return match (true) {
            $name === '' => back()->with('refusal', __('baskets.needs_name')),
            $basket === null => back()->with(
                'refusal',
                __('baskets.too_many', ['most' => ArrangeBaskets::MOST, 'deepest' => ArrangeBaskets::DEEPEST]),
            ),
            default => redirect()->route('baskets.show', $basket),
        };
    }

    public function change(Request $request, Basket $basket): RedirectResponse
    {
        $name = $this->name($request);
        if ($name === '') {
            return back()->with('refusal', __('baskets.needs_name'));
        }
        $note = mb_substr(Input::text($request, 'note'), 0, self::NOTE);
        $into = Input::text($request, 'into');
        $parent = $into === '' ? null : $this->own->find($request, $into);
        if (
            $parent?->id !== $basket->parent_id &&
            !$this->arrange->putInto($this->own->owner($request), $basket, $parent)
        ) {
            return back()->with('refusal', __('baskets.not_into_itself', ['deepest' => ArrangeBaskets::DEEPEST]));
        }
        $this->arrange->rename($basket, $name, $note);

        return redirect()->route('baskets.show', $basket)->with('said', __('baskets.kept'));
    }

    public function shift(Request $request, Basket $basket): RedirectResponse
    {
        $this->arrange->shift($this->own->owner($request), $basket, Input::text($request, 'by') === 'up' ? -1 : 1);

        return redirect()->route('baskets.show', $basket);
    }

    public function remove(Request $request, Basket $basket): RedirectResponse
    {
        $this->arrange->remove($basket);

        return redirect()->route('baskets.index')->with('said', __('baskets.removed', ['name' => $basket->name]));
    }

    /** An address to show a basket by, or with "withdraw" none any more. */
    public function share(Request $request, Basket $basket): RedirectResponse
    {
        $withdraw = $request->boolean('withdraw');
        $this->arrange->share($basket, $withdraw);

        return redirect()
            ->route('baskets.show', $basket)
            ->with('said', __($withdraw ? 'baskets.share_withdrawn' : 'baskets.share_made'));
    }

    /** What someone has shared, for whoever has the address. */
    public function shared(
        string $key,
        RequestContext $current,
        TitleAvailability $availability,
        OwnItems $ownItems,
    ): View {
        $now = CarbonImmutable::now();
        $parts = array_map(
            fn(array $of): array => [...$of, 'titles' => $this->baskets->titles($of['basket'])],
            $this->baskets->below($this->baskets->shared($key) ?? abort(404)),
        );
        $titles = collect(array_column($parts, 'titles'))->flatten(1)->unique('id')->take(200);

        return view('catalogue.baskets.shared-basket', [
            'parts' => $parts,
            'standings' => $availability->of($current->requiredLibrary(), $titles, $current->card(), $now),
            'own' => $ownItems->of($current->person, $titles, $now, beyond: true),
        ]);
    }

    private function name(Request $request): string
    {
        return mb_substr(Input::text($request, 'name'), 0, self::NAME);
    }
}
