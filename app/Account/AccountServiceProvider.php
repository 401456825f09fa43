<?php

declare(strict_types=1);

namespace App\Account;

use App\Account\Notices\HeadOfPage;
use App\Account\Privacy\KeepTermsCommand;
use App\Shared\RequestContext;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\View as Views;
use Illuminate\Support\ServiceProvider;

final class AccountServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        $this->commands([KeepTermsCommand::class]);
        Views::composer('components.layout', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->person;
            $view->with('head', $person === null ? null : $this->app->make(HeadOfPage::class)->of($person, now()));
        });
    }
}
