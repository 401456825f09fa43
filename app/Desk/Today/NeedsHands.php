<?php

declare(strict_types=1);

namespace App\Desk\Today;

use App\Desk\Licences\TitlesUnderPressure;
use App\Desk\Orders\FundBalances;
use App\Desk\Patrons\PatronSearch;
use App\Desk\PayPerLoan\PaidLoans;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Shared\Readiness;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Desk\BudgetYear;
use FigPorch\Core\Desk\StaffTask;
use Illuminate\Support\Facades\DB;

/** What needs hands at a library, for who may do it; what is done is not in it any more. */
final class NeedsHands
{
    /** How long a file of patrons may wait to be taken in before it is thought forgotten, in hours. */
    private const FORGOTTEN_HOURS = 1;

    /** Of a fund's budget. */
    private const NEARLY_SPENT = 0.1;

    public function __construct(
        private readonly TitlesUnderPressure $titles,
        private readonly Readiness $readiness,
        private readonly FundBalances $funds,
        private readonly PaidLoans $paid,
    ) {}

    /** @return list<Todo> */
    public function of(StaffMember $staff, DateTimeImmutable $now): array
    {
        $role = $staff->role();
        $all = [
            ...$this->machine(),
            ...$this->licences($staff->library_id, $now),
            ...$this->money($staff, $now),
            ...$this->requests($staff->library_id),
            ...$this->letters($staff->library_id),
            ...$this->files($staff->library_id, $now),
            ...$this->links($staff->library_id),
            ...$this->people($staff->library_id, $now),
        ];

        return array_values(
            array_filter(
                $all,
                fn(Todo $todo): bool => $todo->count > 0 && ($todo->task === null || $role?->may($todo->task) === true),
            ),
        );
    }

    /** @return list<string> what is wrong with the installation, by what was looked at */
    public function wrongWithMachine(): array
    {
        return array_keys(array_filter($this->readiness->reasons()));
    }

    /** @return list<Todo> */
    private function machine(): array
    {
        // Said on two nights by the audit, and here for as long.
        $unsure = (int) DB::scalar(
            "select count(*) from notices where mailed_at is null
                and mail_begun_at between now() - interval '2 days' and now() - interval '10 minutes'",
        );
        $failed = DB::table('failed_jobs')->count();

        return [
            new Todo('mail_unsure', $unsure, '#machine', StaffTask::Staff),
            new Todo('failed_jobs', $failed, '#machine', StaffTask::Staff),
            new Todo('machine', count($this->wrongWithMachine()), '#machine'),
        ];
    }

    /** @return list<Todo> */
    private function licences(int $libraryId, DateTimeImmutable $now): array
    {
        $counts = $this->titles->counts($libraryId, $now);

        return array_map(
            fn(string $show): Todo => new Todo($show, $counts[$show], route('desk.licences', ['show' => $show], false)),
            ['no_copy', 'pressed', 'ending', 'few_loans'],
        );
    }

    /** @return list<Todo> */
    private function money(StaffMember $staff, DateTimeImmutable $now): array
    {
        $library = $staff->library;
        $year = BudgetYear::of($now, $library->zone(), $library->budget_month)->year;
        $nearly = array_filter(
            $this->funds->all($library, $year),
            fn(array $row): bool => !$row['fund']->closed &&
                $row['balance']->budget > 0 &&
                $row['balance']->left() < $row['balance']->budget * self::NEARLY_SPENT,
        );
        $waiting = DB::table('orders')->where('library_id', $library->id)->where('state', 'noted')->count();

        return [
            new Todo('funds', count($nearly), route('desk.orders', absolute: false), StaffTask::Licences),
            new Todo('orders', $waiting, route('desk.orders', absolute: false), StaffTask::Licences),
            new Todo(
                'paid',
                $this->paid->forecast($library, $now)->usedUpIn() === null ? 0 : 1,
                route('desk.paid', absolute: false),
                StaffTask::Licences,
            ),
        ];
    }

    /** @return list<Todo> */
    private function requests(int $libraryId): array
    {
        $open = DB::table('requests')->where('library_id', $libraryId)->where('state', 'open')->count();
        $last = DB::table('supplier_readings')
            ->orderByDesc('id')
            ->first(['held_back']);

        return [
            new Todo('requests', $open, route('desk.requests', absolute: false), StaffTask::Requests),
            new Todo(
                'held_back',
                (int) (bool) $last?->held_back,
                route('desk.requests', absolute: false),
                StaffTask::Requests,
            ),
        ];
    }

    /** @return list<Todo> */
    private function letters(int $libraryId): array
    {
        $waiting = DB::table('letters')->where('library_id', $libraryId)->where('waits', true)->count();

        return [new Todo('letters', $waiting, route('desk.letters', absolute: false), StaffTask::Letters)];
    }

    /** @return list<Todo> */
    private function files(int $libraryId, DateTimeImmutable $now): array
    {
        $refused = DB::table('file_imports')
            ->where('library_id', $libraryId)
            ->where('state', 'refused')
            ->where('put_away', false)
            ->count();
        $waiting = DB::table('card_imports')
            ->where('library_id', $libraryId)
            ->whereIn('stage', ['read', 'unreadable'])
            ->where('asked_at', '<=', Sql::second($now->modify('-' . self::FORGOTTEN_HOURS . ' hours')))
            ->count();
        $records = DB::table('record_imports')
            ->where('library_id', $libraryId)
            ->whereIn('stage', ['read', 'unreadable'])
            ->where('asked_at', '<=', Sql::second($now->modify('-' . self::FORGOTTEN_HOURS . ' hours')))
            ->count();
        $pins = (int) DB::scalar(
            "select count(distinct i.id) from card_imports i join card_import_rows r on r.card_import_id = i.id
                where i.library_id = ? and i.stage = 'applied' and r.done and r.pin is not null",
            [$libraryId],
        );

        return [
            new Todo('files_refused', $refused, route('desk.files', absolute: false), StaffTask::Titles),
            new Todo('records_waiting', $records, route('desk.records.files', absolute: false), StaffTask::Titles),
            new Todo('cards_waiting', $waiting, route('desk.patrons.files', absolute: false), StaffTask::Patrons),
            new Todo('pins_waiting', $pins, route('desk.patrons.files', absolute: false), StaffTask::Patrons),
        ];
    }

    /** @return list<Todo> */
    private function links(int $libraryId): array
    {
        $dead = DB::table('links')->where('library_id', $libraryId)->whereNotNull('dead_at')->count();

        return [new Todo('links_dead', $dead, route('desk.holdings', ['show' => 'dead'], false), StaffTask::Titles)];
    }

    /** @return list<Todo> */
    private function people(int $libraryId, DateTimeImmutable $now): array
    {
        $ending = DB::table('cards')
            ->where('library_id', $libraryId)
            ->where('expires_at', '>', Sql::second($now))
            ->where('expires_at', '<=', Sql::second($now->modify('+' . PatronSearch::ENDING_DAYS . ' days')))
            ->count();
        $old = DB::table('staff_invitations')
            ->where('library_id', $libraryId)
            ->where('invited_at', '<=', Sql::second($now->modify('-' . StaffInvitation::DAYS . ' days')))
            ->count();

        return [
            new Todo('cards_ending', $ending, route('desk.patrons', ['state' => 'ending'], false), StaffTask::Patrons),
            new Todo('invitations', $old, route('desk.staff', absolute: false), StaffTask::Staff),
        ];
    }
}
