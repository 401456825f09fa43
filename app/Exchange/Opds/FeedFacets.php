<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Catalogue\Filters\AudienceFilter;
use App\Catalogue\Filters\ChoiceFilter;
use App\Catalogue\Filters\FormatFilter;
use App\Catalogue\Filters\LanguageFilter;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\ReadyFilter;
use App\Catalogue\Filters\SeriesFilter;
use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Search\Facets;
use App\Catalogue\Search\SearchRequest;
use FigPorch\Core\Exchange\Opds\Out\FacetGroup;
use FigPorch\Core\Exchange\Opds\Out\Link;

/** What narrows a feed of titles down, and its orders. */
final class FeedFacets
{
    /** Values of a facet that are shown at most. */
    private const OFFERED = 30;

    /** Filters of few values that have facets; of formats and the like each has its count. */
    private const CHOICES = [FormatFilter::class, AudienceFilter::class, LanguageFilter::class];

    /** @return list<FacetGroup> */
    public static function of(Addresses $at, SearchRequest $search, Facets $facets): array
    {
        $link = fn(array $changes, string $title, bool $chosen, ?int $items): Link => new Link(
            rel: $chosen ? 'self' : 'http://opds-spec.org/facet',
            href: $at->of('titles', $search->with($changes)),
            type: $at->edition->acquisition(),
            title: $title,
            items: $items,
        );
        $isReady = $search->filters->get(ReadyFilter::class)->isSet();
        $groups = [
            new FacetGroup(
                __('catalogue.order'),
                array_map(
                    fn(string $order): Link => $link(
                        ['order' => $order],
                        __("catalogue.orders.{$order}"),
                        $order === $search->order,
                        null,
                    ),
                    $search->orders(),
                ),
            ),
            new FacetGroup(__('opds.availability'), [
                $link(['ready' => null], __('opds.all'), !$isReady, $facets->without('ready')),
                $link(['ready' => '1'], __('catalogue.availability.ready_now'), $isReady, $facets->count('ready', 1)),
            ]),
        ];
        foreach (self::CHOICES as $name) {
            /** @var ChoiceFilter $filter */
            $filter = $search->filters->get($name);
            $counts = $facets->of($filter::name());
            $links = [
                $link([$filter::name() => null], $filter->any(), !$filter->isSet(), $facets->without($filter::name())),
            ];
            foreach (array_slice($filter->values($counts), 0, self::OFFERED, true) as $value => $words) {
                if (($counts[$value] ?? 0) > 0 || in_array((string) $value, $filter->chosen, true)) {
                    $links[] = $link(
                        [$filter::name() => (string) $value],
                        $words,
                        in_array((string) $value, $filter->chosen, true),
                        $counts[$value] ?? 0,
                    );
                }
            }
            count($links) > 2 && ($groups[] = new FacetGroup($filter->heading(), $links));
        }
        foreach ([SubjectFilter::class, SeriesFilter::class] as $name) {
            /** @var ListFilter $filter */
            $filter = $search->filters->get($name);
            $links = [];
            foreach (array_slice($facets->of($filter::name()), 0, self::OFFERED, true) as $value => $count) {
                $words = $facets->name($filter::name(), $value);
                $words === null ||
                    in_array($value, $filter->chosen, true) ||
                    ($links[] = $link([$filter::name() => $filter->with($value)], $words, false, $count));
            }
            $links === [] || ($groups[] = new FacetGroup($filter->heading(), $links));
        }

        return $groups;
    }
}
