<?php

declare(strict_types=1);

namespace App\Account;

use App\Account\Letters\LetterPolicy;
use App\Account\Messages\MessagePolicy;
use App\Account\Messages\MessagesController;
use App\Account\Messages\OpenMessages;
use App\Account\Notices\HeadOfPage;
use App\Account\Privacy\KeepTermsCommand;
use App\Models\Letter;
use App\Models\Message;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\View as Views;
use Illuminate\Support\ServiceProvider;

final class AccountServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        $this->commands([KeepTermsCommand::class]);
        Gate::policy(Letter::class, LetterPolicy::class);
        Gate::policy(Message::class, MessagePolicy::class);
        Views::composer('components.layout', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->person;
            $view->with('head', $person === null ? null : $this->app->make(HeadOfPage::class)->of($person, now()));
        });
        Views::composer('components.account.messages', function (View $view): void {
            $current = $this->app->make(RequestContext::class);
            $room = $view->getData()['room'] ?? null;
            $view->with(
                'messages',
                $current->library === null
                    ? []
                    : $this->app
                        ->make(OpenMessages::class)
                        ->in(
                            $current->library,
                            is_string($room) ? $room : null,
                            $current->person,
                            MessagesController::putAwayHere(request()),
                            CarbonImmutable::now(),
                        ),
            );
        });
    }
}
