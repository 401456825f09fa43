<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Lending\Borrowing\LendingFacts;
use App\Lending\Loans\RenewalFacts;
use App\Models\Loan;
use App\Models\ProtectedLoan;
use App\Models\ProtectedLoanEvent;
use App\Shared\View\Dates;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Lcp\LicenceDocument;
use FigPorch\Core\Exchange\Lcp\LicenceStatus;
use FigPorch\Core\Exchange\Lcp\Link;
use FigPorch\Core\Exchange\Lcp\StatusDocument;
use FigPorch\Core\Exchange\Lcp\StatusEvent;
use FigPorch\Core\Lending\Granted;

/** Where the licence of a loan stands: as its loan does. */
final class StatusOfLoan
{
    public function __construct(private readonly NoteLoanEnd $note, private readonly RenewalFacts $renewal) {}

    public function __invoke(ProtectedLoan $of, CarbonImmutable $now): StatusDocument
    {
        $of = ($this->note)($of, $now);
        $loan = $of->loan;
        $events = $of->events;
        $status = LicenceStatus::of(
            $loan->isOpen($now),
            $loan->end_reason === 'returned',
            $events->where('kind', 'register')->count(),
        );

        return new StatusDocument(
            id: $of->id,
            status: $status,
            message: __("lcp.status.{$status->value}", [
                'date' => Dates::words($of->ends_at, $of->library->zone()),
            ]),
            licenceUpdated: $of->updated_at,
            statusUpdated: $events->last()->happened_at ?? $of->updated_at,
            longest: $status->isOver() ? null : $this->longest($loan, $now),
            links: $this->links($of, $status),
            events: array_values(
                $events
                    ->map(
                        fn(ProtectedLoanEvent $event): StatusEvent => new StatusEvent(
                            $event->kind,
                            $event->device_id,
                            $event->device_name,
                            $event->happened_at,
                        ),
                    )
                    ->all(),
            ),
        );
    }

    /** Until when a renewal would last that is asked for now. */
    public function longest(Loan $loan, CarbonImmutable $now): ?DateTimeImmutable
    {
        $facts = LendingFacts::load((int) $loan->card_id, $loan->title_id, $now);
        [$decision] = $this->renewal->decide($loan, $facts, null, $now);

        return $decision instanceof Granted ? $decision->dueAt : null;
    }

    /** @return list<Link> */
    private function links(ProtectedLoan $of, LicenceStatus $status): array
    {
        $links = [new Link('license', LicenceOfLoan::address($of), LicenceDocument::TYPE)];
        foreach (
            $status->isOver() ? [] : ['register' => '{?id,name}', 'renew' => '{?end,id,name}', 'return' => '{?id,name}']
            as $rel => $template
        ) {
            $links[] = new Link(
                rel: $rel,
                href: LicenceOfLoan::address($of, $rel) . $template,
                type: StatusDocument::TYPE,
                templated: true,
            );
        }

        return $links;
    }
}
