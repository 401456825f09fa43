<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Licences\AddLicence;
use App\Lending\Licences\ChangeLicence;
use App\Models\Licence;
use App\Models\StaffMember;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A member of staff adds, raises, cuts or ends a licence of their library; who did what is written down with it. */
final class ChangeLicences
{
    public function __construct(
        private readonly AddLicence $addLicence,
        private readonly ChangeLicence $changeLicence,
        private readonly RecordChange $recordChange,
    ) {}

    /** @return int|null how many copies are on loan, where that is more than would be left and nothing was changed */
    public function __invoke(StaffMember $by, LicenceOrder $order, DateTimeImmutable $now): ?int
    {
        return DB::transaction(function () use ($by, $order, $now): ?int {
            // Whoever sends the same form again waits here for the first, and then finds it done.
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', [$order->id]);
            if (DB::scalar('select exists (select from licence_changes where order_id = ?)', [$order->id])) {
                return null;
            }
            $licence =
                $order->licence ??
                ($this->addLicence)(
                    libraryId: $by->library_id,
                    titleId: $order->titleId,
                    model: $order->model,
                    copies: $order->copies,
                    loans: $order->loans,
                    startsAt: $order->startsAt ?? $now,
                    endsAt: $order->endsAt,
                    now: $now,
                    priceCents: $order->priceCents,
                    shared: $order->shared,
                    rights: $order->rights,
                );
            if ($order->what === OrderKind::End) {
                $this->changeLicence->end($licence, $order->endsAt ?? $now, $now);
            }
            $onLoan =
                $order->what === OrderKind::Copies
                    ? $this->changeLicence->copies($licence, (int) $order->copies, $now)
                    : null;
            if ($onLoan === null) {
                $this->write($by, $licence, $order, $now);
            }

            return $onLoan;
        }, attempts: 5);
    }

    private function write(StaffMember $by, Licence $licence, LicenceOrder $order, DateTimeImmutable $now): void
    {
        $facts = match ($order->what) {
            OrderKind::Copies => ['from' => $licence->copies, 'to' => $order->copies],
            OrderKind::End => ['at' => ($order->endsAt ?? $now)->format(DATE_ATOM)],
            OrderKind::Add => [
                'model' => $order->model->value,
                'copies' => $licence->copies,
                'loans' => $licence->loans_bought,
                'from' => $licence->starts_at->format(DATE_ATOM),
                'at' => $licence->ends_at?->format(DATE_ATOM),
                'price' => $order->priceCents,
                'currency' => $by->library->currency,
                'rights' => [
                    'pages_allowed' => $order->rights->pages,
                    'chapters_as_pdf' => $order->rights->chaptersAsPdf,
                    'offline' => $order->rights->offline,
                    'download' => $order->rights->download->value,
                ],
            ],
        };
        DB::insert(
            'insert into licence_changes (licence_id, staff_member_id, what, facts, changed_at, order_id)
                values (?, ?, ?, ?, ?, ?)',
            [
                $licence->id,
                $by->id,
                $order->what->value,
                json_encode($facts, JSON_THROW_ON_ERROR),
                Sql::second($now),
                $order->id,
            ],
        );
        $title = (string) DB::table('titles')->where('id', $order->titleId)->value('name');
        ($this->recordChange)(
            $by,
            match ($order->what) {
                OrderKind::Add => ChangeKind::LicenceAdd,
                OrderKind::Copies => ChangeKind::LicenceCopies,
                OrderKind::End => ChangeKind::LicenceEnd,
            },
            "“{$title}”",
            $this->facts($licence, $order, $now),
            $now,
        );
    }

    /** @return array<string, array{int|string|null, int|string|null}> as the audit trail has them */
    private function facts(Licence $licence, LicenceOrder $order, DateTimeImmutable $now): array
    {
        return match ($order->what) {
            OrderKind::Copies => ['copies' => [$licence->copies, $order->copies]],
            OrderKind::End => ['ends' => [null, ($order->endsAt ?? $now)->format('Y-m-d')]],
            OrderKind::Add => array_filter(
                [
                    'licence' => [null, $order->model->value],
                    'copies' => [null, $order->copies],
                    'price' => [null, sprintf('%.2F', $order->priceCents / 100)],
                ],
                fn(array $of): bool => $of[1] !== null,
            ),
        };
    }
}
