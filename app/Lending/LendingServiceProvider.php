<?php

declare(strict_types=1);

namespace App\Lending;

use App\Lending\Audit\AuditCommand;
use App\Lending\Cards\CardPolicy;
use App\Lending\Classes\ClassPolicy;
use App\Lending\Expiry\TickCommand;
use App\Lending\Holds\HoldPolicy;
use App\Lending\Household\Household;
use App\Lending\Licences\LicencePolicy;
use App\Lending\LoanRules\LengthChoices;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Loans\LoanPolicy;
use App\Lending\Requests\TitleRequestPolicy;
use App\Lending\Waits\ForecastScores;
use App\Lending\Waits\LibraryHabits;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Licence;
use App\Models\Loan;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Shared\RequestContext;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\View as Views;
use Illuminate\Support\ServiceProvider;

final class LendingServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(LibraryRules::class);
        $this->app->scoped(LibraryHabits::class);
        $this->app->scoped(ForecastScores::class);
        $this->commands([TickCommand::class, AuditCommand::class]);
    }

    public function boot(): void
    {
        Gate::policy(Licence::class, LicencePolicy::class);
        Gate::policy(Card::class, CardPolicy::class);
        Gate::policy(TitleRequest::class, TitleRequestPolicy::class);
        Gate::policy(SchoolClass::class, ClassPolicy::class);
        Gate::policy(Hold::class, HoldPolicy::class);
        Gate::policy(Loan::class, LoanPolicy::class);
        Views::composer('components.who', function (View $view): void {
            $card = $this->app->make(RequestContext::class)->card();
            $view->with('terms', $card === null ? null : $this->app->make(LibraryRules::class)->usual($card));
        });
        Views::composer('lending.household.for-children', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->person;
            $title = $view->getData()['title'] ?? null;
            $view->with(
                'children',
                $person !== null && $title instanceof Title
                    ? $this->app->make(Household::class)->cardsFor($person, $title)
                    : collect(),
            );
        });
        Views::composer('lending.household.adults', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->person;
            $view->with('adults', $person === null ? [] : $this->app->make(Household::class)->adultsOf($person));
        });
        Views::composer('lending.loan-rules.lengths', function (View $view): void {
            $person = $this->app->make(RequestContext::class)->person;
            if ($person instanceof Person) {
                $choices = $this->app->make(LengthChoices::class);
                $view->with(['offered' => $choices->offered($person), 'lengths' => $choices->chosen($person)]);
            }
        });
    }
}
