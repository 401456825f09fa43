<?php

declare(strict_types=1);

namespace App\Desk;

use App\Catalogue\Records\EntryKind;
use App\Desk\Batches\BatchPolicy;
use App\Desk\CardImport\CardImportPolicy;
use App\Desk\Entries\MayArrange;
use App\Desk\Files\FileImportPolicy;
use App\Desk\Holdings\HoldingPolicy;
use App\Desk\Library\ClosedDaysPolicy;
use App\Desk\Lists\StaffListPolicy;
use App\Desk\Orders\FundPolicy;
use App\Desk\RecordImport\RecordImportPolicy;
use App\Desk\Records\TitlePolicy;
use App\Desk\Setup\CreateLibraryCommand;
use App\Desk\Setup\SetupLinkCommand;
use App\Desk\Staff\AddStaffCommand;
use App\Desk\Staff\StaffPolicy;
use App\Desk\Uploads\UploadPolicy;
use App\Desk\Usage\CounterKeyPolicy;
use App\Models\Batch;
use App\Models\CardImport;
use App\Models\ClosedDays;
use App\Models\CounterKey;
use App\Models\FileImport;
use App\Models\Fund;
use App\Models\Holding;
use App\Models\Link;
use App\Models\RecordImport;
use App\Models\StaffInvitation;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\Upload;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Desk\StaffTask;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\ServiceProvider;

final class DeskServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->commands([AddStaffCommand::class, CreateLibraryCommand::class, SetupLinkCommand::class]);
    }

    public function boot(): void
    {
        Gate::policy(Batch::class, BatchPolicy::class);
        Gate::policy(CounterKey::class, CounterKeyPolicy::class);
        Gate::policy(ClosedDays::class, ClosedDaysPolicy::class);
        Gate::policy(Fund::class, FundPolicy::class);
        Gate::policy(Holding::class, HoldingPolicy::class);
        Gate::policy(Link::class, HoldingPolicy::class);
        Gate::policy(StaffList::class, StaffListPolicy::class);
        Gate::policy(Title::class, TitlePolicy::class);
        Gate::policy(FileImport::class, FileImportPolicy::class);
        Gate::policy(CardImport::class, CardImportPolicy::class);
        Gate::policy(RecordImport::class, RecordImportPolicy::class);
        Gate::policy(Upload::class, UploadPolicy::class);
        Gate::policy(StaffMember::class, StaffPolicy::class);
        Gate::policy(StaffInvitation::class, StaffPolicy::class);
        Gate::define(
            'desk.entry',
            fn(StaffMember $staff, EntryKind $kind, string $entry): Response => (new MayArrange())(
                $staff,
                $kind,
                (int) $entry,
            ),
        );
        foreach (StaffTask::cases() as $task) {
            Gate::define("desk.{$task->value}", fn(StaffMember $staff): Response => self::asked($staff, $task));
        }
    }

    /** Who may not is told who may. */
    private static function asked(StaffMember $staff, StaffTask $task): Response
    {
        $role = $staff->role();

        return $role !== null && $role->may($task)
            ? Response::allow()
            : Response::deny(
                __('staff.not_your_role', [
                    'role' => $role === null ? '' : __("staff.roles.{$role->value}.0"),
                    'others' => implode(
                        __('staff.or'),
                        array_map(
                            fn(StaffRole $who): string => __("staff.roles.{$who->value}.0"),
                            StaffRole::whoMay($task),
                        ),
                    ),
                ]),
            );
    }
}
