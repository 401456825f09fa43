<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Requests\AskForTitle;
use App\Lending\Requests\AskInWords;
use App\Models\StaffInvitation;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\TitleRequest;
use FigPorch\Core\Catalogue\WantedTitle;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\TestCase;

/** Whatever staff change stands in the audit trail, in words. */
final class TrailTest extends TestCase
{
    private StaffMember $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(), 'staff');
    }

    /** @return list<string> */
    private function kinds(): array
    {
        return array_values(DB::table('desk_changes')->orderBy('id')->pluck('what')->all());
    }

    public function test_licences_lists_requests_and_invitations_stand_in_it(): void
    {
        $title = $this->title('Low Water');
        $change = fn(array $form) => $this->post(
            "/desk/titles/{$title->id}/change",
            $form + ['order' => (string) Str::uuid()],
        )->assertSessionHasNoErrors();
        $change(['do' => 'add', 'model' => 'one_copy_one_user', 'copies' => '2', 'price' => '24.50']);
        $licence = (string) DB::table('licences')->value('id');
        $change(['do' => 'copies', 'copies' => '3', 'licence' => $licence]);
        $change(['do' => 'end', 'licence' => $licence]);

        $form = ['name' => 'Storms', 'room' => 'reading'];
        $this->post('/desk/lists', $form);
        $list = StaffList::query()->sole();
        $this->post("/desk/lists/{$list->id}", ['name' => 'Storms and keepers'] + $form);
        $this->post("/desk/lists/{$list->id}", ['name' => 'Storms and keepers'] + $form);
        $this->post("/desk/lists/{$list->id}/remove");

        $card = $this->card();
        app(AskForTitle::class)($card, $wanted = $this->title('Wanted'), true, false, $this->now());
        app(AskInWords::class)($card, new WantedTitle('In words', '', null, ''), true, false, $this->now());
        $this->post("/desk/requests/{$wanted->id}/decline", ['why' => 'Out of print.']);
        $this->post("/desk/requests/{$wanted->id}/decline", ['why' => 'Out of print.']);
        $asked = TitleRequest::query()->whereNull('title_id')->sole();
        $this->post("/desk/requests/words/{$asked->id}/decline", ['why' => 'Nobody knows it.']);

        $this->post('/desk/staff', ['email' => 'ida@lantern.example', 'role' => StaffRole::Lists->value]);
        $this->post('/desk/staff/invitations/' . StaffInvitation::query()->sole()->id . '/withdraw');
        $this->assertSame(
            [
                ...['licence_add', 'licence_copies', 'licence_end', 'list_made', 'list_changed', 'list_removed'],
                ...['request_declined', 'request_declined', 'staff_invited', 'staff_withdrawn'],
            ],
            $this->kinds(),
        );
        $page = $this->get('/desk/trail')->assertOk();
        foreach (['One copy / one user', 'Copies: 2 → 3', 'Price: 24.50', 'Storms', 'Out of print.'] as $words) {
            $page->assertSee($words);
        }
        // Not who asked.
        $page->assertDontSee($card->number)->assertDontSee($card->person->name);
    }

    public function test_each_kind_has_words_in_both_languages(): void
    {
        foreach (['en', 'es'] as $language) {
            $this->assertSame(
                array_column(ChangeKind::cases(), 'value'),
                array_keys((array) trans('trail.what', [], $language)),
            );
        }
    }

    public function test_what_came_from_a_page_is_shown_as_text(): void
    {
        app(RecordChange::class)(
            $this->staff,
            ChangeKind::ListMade,
            '<script>x</script>',
            ['answer' => [null, '<b>']],
            $this->now(),
        );
        $this->get('/desk/trail')->assertOk()->assertSee('&lt;script&gt;', false)->assertDontSee('<b>x', false);
    }
}
