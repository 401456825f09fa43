<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Models\Card;
use App\Models\ClassSet;
use App\Models\SchoolClass;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Classes of a teacher and of a pupil, and what is given to them. */
final class ClassesController
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly ArrangeClasses $arrange,
        private readonly ClassSets $sets,
    ) {}

    public function index(): View
    {
        $person = $this->current->requiredPerson();
        $teaches = Teachers::cards($person);

        return view('lending.classes.classes', [
            'cards' => $teaches,
            'fromFile' => array_map(fn(Card $card): array => $this->sets->namesFromFile($card->library), $teaches),
            'taught' => SchoolClass::query()
                ->whereIn('card_id', $person->cards->pluck('id'))
                ->withCount('members')
                ->with('library')
                ->orderBy('name')
                ->get(),
            'attended' => SchoolClass::query()
                ->whereHas('members', fn($members) => $members->where('cards.person_id', $person->id))
                ->with(['library', 'teacher.person'])
                ->orderBy('name')
                ->get(),
            'sets' => $this->sets->for($person, CarbonImmutable::now()),
        ]);
    }

    public function make(Request $request): RedirectResponse
    {
        $cards = Teachers::cards($this->current->requiredPerson());
        $card = collect($cards)->firstWhere('id', (int) Input::text($request, 'card')) ?? ($cards[0] ?? null);
        if ($card === null) {
            return back()->with('refusal', __('classes.teachers_only'));
        }
        $name = mb_substr(Input::text($request, 'name'), 0, 60);
        $today = CarbonImmutable::now()->setTimezone($card->library->zone());
        $ends = Input::day($request, 'ends_on');
        if (
            $name === '' ||
            $ends === null ||
            $ends < $today->format('Y-m-d') ||
            $ends > $today->addYears(2)->format('Y-m-d')
        ) {
            return back()->withInput()->with('refusal', __('classes.needs_name'));
        }
        $fromFile = Input::text($request, 'from_file');
        $class = $this->arrange->make(
            $card,
            $name,
            $ends,
            in_array($fromFile, $this->sets->namesFromFile($card->library), true) ? $fromFile : null,
            CarbonImmutable::now(),
        );

        return redirect()->route('classes.show', $class);
    }

    public function join(Request $request): RedirectResponse
    {
        $person = $this->current->requiredPerson();
        $class = $this->arrange->join(Input::text($request, 'code'), $person->id, CarbonImmutable::now());

        return $class === null
            ? back()->withInput()->with('refusal', __('classes.no_such_code'))
            : redirect()->route('classes.index')->with('said', __('classes.joined', ['class' => $class->name]));
    }

    public function show(SchoolClass $class): View
    {
        return view('lending.classes.class', [
            'class' => $class->load([
                'library',
                'members' => fn($members) => $members->with('person')->orderBy('number'),
                'sets' => fn($sets) => $sets->with('title.contributors')->orderBy('first_day')->orderBy('id'),
            ]),
            'today' => CarbonImmutable::now()->setTimezone($class->library->zone())->format('Y-m-d'),
        ]);
    }

    public function leave(SchoolClass $class): RedirectResponse
    {
        $this->arrange->leave($class, $this->current->requiredPerson()->id);

        return redirect()->route('classes.index')->with('said', __('classes.left', ['class' => $class->name]));
    }

    public function end(SchoolClass $class): RedirectResponse
    {
        $this->arrange->end($class);

        return redirect()->route('classes.index')->with('said', __('classes.ended', ['class' => $class->name]));
    }

    public function remove(SchoolClass $class, Request $request): RedirectResponse
    {
        $member = $class->members()->find((int) Input::text($request, 'card'));
        $member !== null && $this->arrange->remove($class, $member);

        return redirect()->route('classes.show', $class);
    }

    /** A title for a class: for which days, and whether that can hold, before it is promised. */
    public function choose(Request $request, Title $title): View
    {
        $classes = $this->sets->taughtBy($this->current->requiredPerson());
        $asked = AskedSet::of($request, $classes);

        return view('lending.classes.set', [
            'title' => $title->load('contributors'),
            'classes' => $classes,
            'asked' => $asked,
            'capacity' => $asked->isWhole()
                ? $this->sets->capacity($asked->class, $title, $asked->first, $asked->last)
                : null,
            'price' => $asked->isWhole() ? $this->sets->priceOfACopy($asked->class->library, $title) : null,
        ]);
    }

    public function give(Request $request, SchoolClass $class): RedirectResponse
    {
        $asked = $this->titles($request);
        $titles = Title::query()->findMany($asked);
        [$first, $last] = AskedSet::days($request);
        if ($titles->isEmpty() || $first === null || $last === null) {
            return back()->withInput()->with('refusal', __('classes.needs_days'));
        }
        // In the order of the basket.
        $ids = array_values(array_intersect($asked, $titles->modelKeys()));

        return $this->arrange->give($class, $ids, $first, $last, CarbonImmutable::now())
            ? redirect()
                ->route('classes.show', $class)
                ->with(
                    'said',
                    $titles->count() === 1
                        ? __('classes.given', ['title' => $titles->first()->name])
                        : trans_choice('classes.given_all', $titles->count()),
                )
            : back()->with('refusal', trans_choice('classes.too_many_sets', ArrangeClasses::MOST_SETS));
    }

    public function takeBack(SchoolClass $class, ClassSet $set): RedirectResponse
    {
        $this->arrange->takeBack($set);

        return redirect()->route('classes.show', $class);
    }

    /** @return list<int> one title, or all that were shown together */
    private function titles(Request $request): array
    {
        $given = $request->input('titles', [$request->input('title')]);
        $ids = array_filter(
            is_array($given) ? $given : [],
            fn(mixed $id): bool => is_string($id) && ctype_digit($id) && strlen($id) < 19,
        );

        return array_slice(array_map(intval(...), array_values(array_unique($ids))), 0, ArrangeClasses::MOST_SETS);
    }
}
