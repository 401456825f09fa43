<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Lending\Requests\AskForTitle;
use App\Models\CardImport;
use App\Models\FileImport;
use App\Models\RecordImport;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Shared\Readiness;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** The Desk's first page: each thing is there until it is done, for who may do it. */
final class TodayTest extends TestCase
{
    private StaffMember $director;

    protected function setUp(): void
    {
        parent::setUp();
        Readiness::schedulerIsAtWork();
        $this->be($this->director = $this->staff(), 'staff');
    }

    /** @return array<string, int> */
    private function todos(?StaffMember $as = null): array
    {
        Auth::forgetGuards();
        $this->be(($as ?? $this->director)->unsetRelations(), 'staff');
        $todos = $this->get('/desk/today')->assertOk()->viewData('todos');

        return array_column(array_map(fn($of): array => [$of->what, $of->count], $todos), 1, 0);
    }

    public function test_a_quiet_day(): void
    {
        $this->assertSame([], $this->todos());
        $this->get('/desk/today')->assertSee('Nothing needs hands')->assertSee('The machine is well');
        $this->get('/desk')->assertRedirect('/desk/today');
    }

    public function test_each_thing_leads_to_where_it_is_done_and_is_gone_when_it_is(): void
    {
        $ending = $this->licence($this->title(), ends: '+20 days');
        $card = $this->card();
        app(AskForTitle::class)($card, $wanted = $this->title('Wanted'), true, false, $this->now());
        $file = FileImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->director->id,
            'name' => 'broken.epub',
            'state' => 'refused',
            'asked_at' => $this->now(),
            'ended_at' => $this->now(),
        ]);
        $import = CardImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->director->id,
            'name' => 'class.csv',
            'settings' => ['group' => 'adult', 'expires' => null, 'leavers' => null],
            'stage' => 'read',
            'asked_at' => $this->now()->subHours(2),
        ]);
        $records = RecordImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->director->id,
            'name' => 'records.mrc',
            'stage' => 'read',
            'asked_at' => $this->now()->subHours(2),
        ]);
        $card->update(['expires_at' => $this->now()->addDays(9)]);
        $invitation = StaffInvitation::query()->create([
            'library_id' => $this->library()->id,
            'email' => 'ida@lantern.example',
            'role' => StaffRole::Lists,
            'key_hash' => hash('sha256', 'x'),
            'invited_by' => $this->director->id,
            'invited_at' => $this->now()->subDays(8),
        ]);
        $all = $this->todos();
        $this->assertSame(
            [
                'cards_ending' => 1,
                'cards_waiting' => 1,
                'ending' => 1,
                'files_refused' => 1,
                'invitations' => 1,
                'records_waiting' => 1,
                'requests' => 1,
            ],
            collect($all)->sortKeys()->all(),
        );
        foreach ($this->get('/desk/today')->viewData('todos') as $todo) {
            $this->get($todo->address)->assertOk();
        }
        // Another library has nothing of it.
        $this->assertSame([], $this->todos($this->staff($this->library('larkspur'))));
        // Nor is it for those who may not do it.
        $this->assertSame(['ending' => 1], $this->todos($this->staff(role: StaffRole::Figures)));
        $this->assertSame(
            ['ending', 'requests', 'cards_waiting', 'cards_ending'],
            array_keys($this->todos($this->staff(role: StaffRole::Lending))),
        );

        $this->todos();
        $this->post("/desk/files/{$file->id}/put-away");
        $this->post("/desk/patrons/files/{$import->id}/discard");
        $this->post("/desk/files/records/{$records->id}/discard");
        $this->post("/desk/cards/{$card->id}/renew", ['expires' => $this->now()->addYear()->format('Y-m-d')]);
        $this->post("/desk/staff/invitations/{$invitation->id}/withdraw");
        $this->post("/desk/requests/{$wanted->id}/decline", ['why' => 'Out of print.']);
        DB::table('licences')
            ->where('id', $ending->id)
            ->update(['ends_at' => null]);
        // The clock of these tests stands; the database's, by which the queue is late, does not.
        $this->workThroughQueue();
        $this->assertSame([], $this->todos());
    }

    public function test_holds_without_a_copy_and_long_lines_are_there(): void
    {
        $this->licence($pressed = $this->title());
        $this->borrow($this->card(), $pressed);
        foreach (range(1, 8) as $n) {
            $this->hold($this->card(), $pressed);
        }
        $this->assertSame(1, $this->todos()['pressed']);
        DB::table('licences')->update([
            'ends_at' => $this->now()->subDay(),
            'model' => LicenceModel::MeteredByTime->value,
        ]);
        $this->assertSame(1, $this->todos()['no_copy']);
    }

    public function test_it_says_when_the_machine_is_not_well(): void
    {
        $this->travel(10)->minutes();
        DB::table('failed_jobs')->insert([
            'uuid' => 'x',
            'connection' => 'database',
            'queue' => 'default',
            'payload' => '{}',
            'exception' => 'It broke.',
        ]);
        $this->assertSame(['failed_jobs' => 1, 'machine' => 1], $this->todos());
        $this->get('/desk/today')->assertSee('stands still')->assertSee('bin/check');
        $this->assertSame(['machine' => 1], $this->todos($this->staff(role: StaffRole::Figures)));
    }
}
