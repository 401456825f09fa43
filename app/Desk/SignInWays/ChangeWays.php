<?php

declare(strict_types=1);

namespace App\Desk\SignInWays;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Library;
use App\Models\SignInWays;
use App\Models\StaffMember;
use DateTimeImmutable;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Account\SchoolSignIn;
use Illuminate\Support\Facades\DB;

/** Changes how a library lets its patrons in; secrets never stand in the audit trail. */
final class ChangeWays
{
    public function __construct(private readonly RecordChange $recordChange) {}

    public function __invoke(
        StaffMember $by,
        bool $withCards,
        ?LibrarySystem $system,
        ?SchoolSignIn $school,
        ?string $mailDomain,
        DateTimeImmutable $now,
    ): void {
        DB::transaction(function () use ($by, $withCards, $system, $school, $mailDomain, $now): void {
            Library::query()
                ->whereKey($by->library_id)
                ->lockForUpdate()
                ->update(['mail_domain' => $mailDomain]);
            $before = SignInWays::of($by->library);
            $facts = array_filter(
                [
                    'ways_with_cards' => [$before->with_cards, $withCards],
                    'ways_system' => [self::name($before->librarySystem()), self::name($system)],
                    'ways_school' => [$before->schoolSignIn()?->issuer, $school?->issuer],
                ],
                fn(array $fact): bool => $fact[0] !== $fact[1],
            );
            SignInWays::query()->updateOrCreate(
                ['library_id' => $by->library_id],
                ['with_cards' => $withCards, 'system' => $system?->toArray(), 'school' => $school?->toArray()],
            );
            ($this->recordChange)($by, ChangeKind::LibraryChanged, $by->library->name, $facts, $now);
        });
    }

    private static function name(?LibrarySystem $system): ?string
    {
        return $system === null ? null : "{$system->host}:{$system->port}";
    }
}
