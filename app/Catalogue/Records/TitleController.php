<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Catalogue\Baskets\OwnBaskets;
use App\Catalogue\Citations\CitableTitles;
use App\Catalogue\SimilarTitles\SimilarTitles;
use App\Lending\Availability\AcquisitionOptions;
use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Lending\LoanRules\PayMonth;
use App\Models\Follow;
use App\Models\Title;
use App\Shared\RequestContext;
use App\Shared\TitleNames;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class TitleController
{
    public function __invoke(
        Request $request,
        Title $title,
        RequestContext $current,
        AcquisitionOptions $ways,
        OwnItems $ownItems,
        SeriesOrder $seriesOrder,
        TitleAvailability $availability,
        OwnBaskets $baskets,
        CitableTitles $citable,
    ): View {
        $now = CarbonImmutable::now();
        $title->load('publication:id,title_id,excerpt_positions,fixed_layout,right_to_left,contents');
        $editions = Title::query()
            ->where('work_id', $title->work_id)
            ->whereKeyNot($title->id)
            ->orderBy('format')
            ->orderBy('id')
            ->limit(20)
            ->get();
        $all = $editions->prepend($title);
        TitleNames::giveTo($all);

        $library = $current->requiredLibrary();
        $series = $seriesOrder->of($title, $library);
        $own = $ownItems->of($current->person, [...$all, ...$series], $now, beyond: true);
        $had = $seriesOrder->had($current->person, $title);

        return view('catalogue.records.title', [
            'title' => $title,
            'cited' => $citable->of([$title], fn(int $id): string => route('titles.show', $id))[0],
            'own' => $own,
            'ways' => $ways->of($library, $current->person, $all, $own, $now),
            'now' => $now,
            'seriesOrder' => $series,
            'standings' =>
                $series->count() > 1
                    ? $availability->of(
                        $library,
                        $series,
                        $current->card(),
                        $now,
                        undated: array_values($series->modelKeys()),
                    )
                    : [],
            'had' => $had,
            'next' => $seriesOrder->next($series, $had),
            'follow' =>
                $title->format === Format::Magazine && $current->card() !== null
                    ? Follow::query()
                        ->where(['card_id' => $current->card()->id, 'series_id' => $title->series_id])
                        ->first()
                    : null,
            'baskets' => $baskets->owner($request)->names(50),
        ]);
    }

    /** Others like it, by themselves: they are fetched when the reader comes to them. */
    public function alike(
        Request $request,
        Title $title,
        RequestContext $current,
        SimilarTitles $alike,
        PayMonth $payMonth,
    ): View {
        $library = $current->requiredLibrary();
        $now = CarbonImmutable::now();

        return view(
            $request->hasHeader('HX-Request')
                ? 'catalogue.similar-titles.covers'
                : 'catalogue.similar-titles.similar-titles',
            [
                'title' => $title,
                'alike' => $alike->to(
                    $title,
                    $library->id,
                    $now,
                    $payMonth->eligibility($current->card(), $library, $now),
                ),
            ],
        );
    }
}
