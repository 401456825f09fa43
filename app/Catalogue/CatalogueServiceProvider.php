<?php

declare(strict_types=1);

namespace App\Catalogue;

use App\Catalogue\Baskets\BasketPolicy;
use App\Catalogue\Baskets\OwnBaskets;
use App\Catalogue\BitmapIndex\IndexCommand;
use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Catalogue\SavedSearches\SavedSearchPolicy;
use App\Catalogue\Search\CatalogueSearch;
use App\Models\Basket;
use App\Models\Person;
use App\Models\SavedSearch;
use Illuminate\Auth\Events\Login;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class CatalogueServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(BitmapSearch::class);
        $this->app->scoped(CatalogueSearch::class);
        $this->commands([IndexCommand::class]);
    }

    public function boot(): void
    {
        Gate::policy(Basket::class, BasketPolicy::class);
        Gate::policy(SavedSearch::class, SavedSearchPolicy::class);
        Event::listen(function (Login $login): void {
            if ($login->user instanceof Person) {
                $this->app->make(OwnBaskets::class)->claim($this->app->make('request'), $login->user->id);
            }
        });
    }
}
