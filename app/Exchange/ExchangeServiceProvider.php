<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Account\Letters\LetterCarrier;
use App\Account\Notices\NoticeCarriers;
use App\Account\SignIn\CardAuthority;
use App\Account\SignIn\PinLinkCarrier;
use App\Exchange\Counter\CountDenial;
use App\Exchange\Lcp\PackProtected;
use App\Exchange\Lcp\ProtectedLoans;
use App\Exchange\Lcp\ProviderCommand;
use App\Exchange\LibrarySystem\SystemCards;
use App\Exchange\Links\LookAtLinksCommand;
use App\Exchange\Mail\MailLetter;
use App\Exchange\Mail\MailPinLink;
use App\Exchange\Mail\QueueNotices;
use App\Exchange\Opds\Addresses;
use App\Exchange\Opds\Edition;
use App\Exchange\Packages\PackPublication;
use App\Exchange\Push\PushDevicePolicy;
use App\Exchange\Push\PushKey;
use App\Exchange\Records\ExportRecordsCommand;
use App\Exchange\Records\ImportRecordsCommand;
use App\Exchange\Sending\Places;
use App\Exchange\Supplier\ReadSupplierCommand;
use App\Lending\Borrowing\TurnedAway;
use App\Models\Passphrase;
use App\Models\PushDevice;
use App\Reading\Prepared\FileMaker;
use App\Shared\RequestContext;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\View as Views;
use Illuminate\Support\ServiceProvider;

final class ExchangeServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind(NoticeCarriers::class, QueueNotices::class);
        $this->app->tag([PackPublication::class, PackProtected::class], FileMaker::class);
        $this->app->bind(CardAuthority::class, SystemCards::class);
        $this->app->bind(LetterCarrier::class, MailLetter::class);
        $this->app->bind(PinLinkCarrier::class, MailPinLink::class);
        $this->commands([
            ReadSupplierCommand::class,
            ImportRecordsCommand::class,
            ExportRecordsCommand::class,
            LookAtLinksCommand::class,
            ProviderCommand::class,
        ]);
    }

    public function boot(): void
    {
        Gate::policy(PushDevice::class, PushDevicePolicy::class);
        Event::listen(TurnedAway::class, CountDenial::class);
        Views::composer(
            'exchange.push.devices',
            fn(View $view) => $view->with([
                'pushKey' => $this->app->make(PushKey::class)->public(),
                'zone' => $this->app->make(RequestContext::class)->library?->zone() ?? new DateTimeZone('UTC'),
            ]),
        );
        Views::composer('exchange.sending.places', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->requiredPerson();
            $places = $this->app->make(Places::class);
            $view->with(['eReader' => $places->eReader($person), 'folder' => $places->folder($person)]);
        });
        Views::composer(
            'exchange.lcp.passphrase',
            fn(View $view) => $view->with([
                'passphrase' => Passphrase::query()->find(
                    $this->app->make(RequestContext::class)->requiredPerson()->id,
                ),
                'zone' => $this->app->make(RequestContext::class)->library?->zone() ?? new DateTimeZone('UTC'),
            ]),
        );
        Views::composer(
            'lending.loans.loans',
            fn(View $view) => $view->with(
                'protected_of',
                $this->app->make(ProtectedLoans::class)->of($view->getData()['loans']),
            ),
        );
        Views::composer('exchange.opds.addresses', fn(View $view) => $view->with('catalogues', $this->catalogues()));
    }

    /** @return array<string, string> where reading applications find the catalogues of a person's libraries, by name */
    private function catalogues(): array
    {
        $addresses = [];
        foreach ($this->app->make(RequestContext::class)->person->cards ?? [] as $card) {
            $addresses[$card->library->name] = (new Addresses(Edition::Two, $card->library))->of();
        }

        return $addresses;
    }
}
