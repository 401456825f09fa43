<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Titles\ChangeLicences;
use App\Desk\Titles\LicenceForm;
use App\Desk\Titles\LicenceOrder;
use App\Desk\Titles\OrderKind;
use App\Lending\Licences\ChangeLicence;
use App\Models\Batch;
use App\Models\BatchRow;
use App\Models\Licence;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;

/** Ends the library's licences of each, on a day or at once; loans run on. Undone, each ends when it would have. */
final class WithdrawWork implements BatchWork
{
    use TitlesAlone;

    public function __construct(
        private readonly ChangeLicences $change,
        private readonly ChangeLicence $changeLicence,
    ) {}

    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array
    {
        $live = $this->live($batch, $now)
            ->whereIn('title_id', $titles)
            ->selectRaw(
                'title_id, count(*) licences, sum((select count(*) from loans l where l.licence_id = licences.id
                    and l.ended_at is null)) on_loan, max((select count(*) from holds h where h.title_id =
                    licences.title_id and h.library_id = licences.library_id and h.closed_at is null)) waiting',
            )
            ->groupBy('title_id')
            ->toBase()
            ->get()
            ->keyBy('title_id');
        $rows = [];
        foreach ($titles as $title) {
            $of = $live->get($title);
            $rows[$title] =
                $of === null
                    ? ['outcome' => 'same', 'note' => ['no_licence' => 1]]
                    : [
                        'outcome' => 'ready',
                        'note' => array_filter([
                            'licences' => (int) $of->licences,
                            'on_loan' => (int) $of->on_loan,
                            'waiting' => (int) $of->waiting,
                        ]),
                    ];
        }

        return $rows;
    }

    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?array
    {
        $day = LicenceForm::day((string) ($batch->facts['last_day'] ?? ''), $batch->library, '23:59:59');
        $ends = $day === null || $day <= $now ? null : $day;
        $ended = [];
        foreach ($this->live($batch, $now)->where('title_id', $row->title_id)->orderBy('id')->get() as $licence) {
            if ($ends !== null && $licence->ends_at !== null && $licence->ends_at <= $ends) {
                continue;
            }
            $was = $licence->ends_at;
            ($this->change)(
                $batch->member,
                new LicenceOrder(
                    id: (string) Str::uuid(),
                    what: OrderKind::End,
                    titleId: $licence->title_id,
                    licence: $licence,
                    model: $licence->model,
                    endsAt: $ends,
                ),
                $now,
            );
            $ended[] = [
                'licence' => $licence->id,
                'was' => $was === null ? null : Sql::second($was),
                'is' => Sql::second($licence->refresh()->ends_at ?? $now),
            ];
        }

        return $ended === [] ? null : ['ended' => $ended];
    }

    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string
    {
        $kept = null;
        /** @var array{licence: int, was: string|null, is: string} $of */
        foreach ((array) ($row->undo['ended'] ?? []) as $of) {
            $licence = Licence::query()->find($of['licence']);
            $was = $of['was'] === null ? null : new DateTimeImmutable($of['was']);
            $is = (new DateTimeImmutable($of['is']))->getTimestamp();
            if ($licence === null || $licence->ends_at?->getTimestamp() !== $is) {
                $kept = 'meanwhile';

                continue;
            }
            $this->changeLicence->reopen($licence, $was, $now);
        }

        return $kept;
    }

    /** @return Builder<Licence> */
    private function live(Batch $batch, DateTimeImmutable $now): Builder
    {
        return Licence::query()
            ->where('library_id', $batch->library_id)
            ->where(fn(Builder $of) => $of->whereNull('ends_at')->orWhere('ends_at', '>', Sql::second($now)));
    }
}
