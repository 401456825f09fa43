<?php

declare(strict_types=1);

namespace App\Catalogue\Baskets;

use App\Models\Basket;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** What goes into a basket, moves within and between them, and comes out. */
final class BasketTitlesController
{
    private const NOTE = 500;

    public function __construct(private readonly OwnBaskets $own, private readonly FillBasket $fill) {}

    /** Into the basket that is named, or the one used last, or a first one. */
    public function put(Request $request, Title $title, ArrangeBaskets $arrange): View|RedirectResponse|Response
    {
        $now = CarbonImmutable::now();
        $owner = $this->own->ownerToBe($request);
        $asked = Input::text($request, 'basket');
        $last = $request->session()->get('basket');
        $basket =
            $asked !== ''
                ? $this->own->find($request, $asked)
                : (is_int($last) ? $owner->baskets()->find($last) : null) ??
                    ($owner->baskets()->orderBy('position')->orderBy('id')->first() ??
                        ($arrange->make($owner, __('baskets.first_name'), null, $now) ?? abort(500)));
        $request->session()->put('basket', $basket->id);
        if (!$this->fill->put($basket, $title->id, $now)) {
            $full = __('baskets.full', ['name' => $basket->name, 'most' => FillBasket::MOST]);

            return $request->hasHeader('HX-Request') ? response(e($full), 422) : back()->with('refusal', $full);
        }

        return $request->hasHeader('HX-Request')
            ? view('catalogue.baskets.in-basket', ['basket' => $basket, 'title' => $title])
            : back()->with('said', __('baskets.put', ['title' => $title->name, 'name' => $basket->name]));
    }

    /**
     * "do" is up:ID, down:ID, take-out, move or notes; take-out and move are of all that are ticked. Notes are kept
     * with whatever is done.
     */
    public function arrange(Request $request, Basket $basket): RedirectResponse
    {
        [$do, $titleId] = explode(':', Input::text($request, 'do'), 2) + [1 => ''];
        $to = $do === 'move' ? $this->own->find($request, Input::text($request, 'to')) : null;
        $ticked = array_values(
            array_unique(
                array_map(
                    intval(...),
                    array_filter(
                        (array) $request->input('titles'),
                        fn(mixed $id): bool => is_string($id) && ctype_digit($id) && strlen($id) < 19,
                    ),
                ),
            ),
        );
        $this->fill->note($basket, $this->notes($request));
        if ($do === 'up' || $do === 'down') {
            $this->fill->shift($basket, (int) $titleId, $do === 'up' ? -1 : 1);
        }
        $said = match (true) {
            $do === 'up' || $do === 'down' => [],
            $do === 'notes' => ['said' => __('baskets.notes_kept')],
            $ticked === [] => ['refusal' => __('baskets.tick_some')],
            $to !== null => [
                'said' => trans_choice('baskets.moved', $this->fill->moveTo($basket, $to, $ticked), [
                    'name' => $to->name,
                ]),
            ],
            $do === 'take-out' => ['said' => trans_choice('baskets.taken_out', $this->fill->takeOut($basket, $ticked))],
            default => abort(404),
        };

        return redirect()->back(fallback: route('baskets.show', $basket))->with($said);
    }

    /** @return array<int, string> by title */
    private function notes(Request $request): array
    {
        $notes = array_filter((array) $request->input('note'), is_string(...));

        return array_combine(
            array_map(intval(...), array_keys($notes)),
            array_map(
                fn(string $note): string => mb_substr(trim(mb_scrub($note)), 0, self::NOTE),
                array_values($notes),
            ),
        );
    }
}
