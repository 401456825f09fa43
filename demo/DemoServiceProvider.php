<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Shared\RequestContext;
use FigPorch\Demo\Commands\DemoCard;
use FigPorch\Demo\Commands\DemoCards;
use FigPorch\Demo\Commands\DemoGrow;
use FigPorch\Demo\Commands\DemoLoad;
use FigPorch\Demo\Commands\DemoWays;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\View as Views;
use Illuminate\Support\ServiceProvider;

/** The demo's commands, and its cards and staff on the pages where one signs in. */
final class DemoServiceProvider extends ServiceProvider
{
    private const CARDS_SHOWN = 4;

    private const STAFF_SHOWN = 2;

    public function register(): void
    {
        $this->commands([DemoCard::class, DemoCards::class, DemoGrow::class, DemoLoad::class, DemoWays::class]);
    }

    public function boot(): void
    {
        Views::composer('account.sign-in.sign-in', function (View $view): void {
            $library = $this->app->make(RequestContext::class)->library;
            $view->with(
                'demoCards',
                config('figporch.demo')
                    ? array_filter(
                        array_slice(Members::CARDS, 0, self::CARDS_SHOWN),
                        fn(array $card): bool => $card['library'] === $library?->slug,
                    )
                    : [],
            );
        });
        Views::composer(
            'desk.sign-in.sign-in',
            fn(View $view) => $view->with(
                'demoStaff',
                config('figporch.demo') ? array_slice(Members::STAFF, 0, self::STAFF_SHOWN) : [],
            ),
        );
    }
}
