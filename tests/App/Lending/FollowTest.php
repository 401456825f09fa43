<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Catalogue\Records\SaveRecord;
use App\Models\Card;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Magazines: their issues, and those who follow them. */
final class FollowTest extends TestCase
{
    private Card $card;

    protected function setUp(): void
    {
        parent::setUp();
        $this->licence($this->issue(1));
        $this->licence($this->issue(2));
        $this->be(($this->card = $this->card())->person);
    }

    private function issue(int $number, bool $onOrder = false): Title
    {
        $title = app(SaveRecord::class)(
            new Record(
                key: "tide:{$number}",
                format: Format::Magazine,
                name: 'Tide & Timber',
                contributors: [],
                extent: 40,
                edition: "Issue {$number}",
                published: "2026-0{$number}",
                series: 'Tide & Timber',
                seriesPosition: $number,
            ),
            $this->now(),
        );
        if (!$onOrder) {
            $this->fileOf($title);
        }

        return $title;
    }

    public function test_the_latest_issue_stands_first_and_each_is_a_title_of_its_own(): void
    {
        $first = Title::query()->where('edition', 'Issue 1')->firstOrFail();
        $second = Title::query()->where('edition', 'Issue 2')->firstOrFail();
        $this->assertNotSame($first->work_id, $second->work_id);
        $this->get("/titles/{$first->id}")
            ->assertOk()
            ->assertSee('Issues of “Tide &amp; Timber”', false)
            ->assertSeeInOrder(['February 2026', 'January 2026'])
            ->assertSee('Tell me of the next issue');
    }

    public function test_the_next_issue_is_told_of_or_borrowed_once_and_those_before_are_not(): void
    {
        $first = Title::query()->where('edition', 'Issue 1')->firstOrFail();
        $told = $this->card();
        $this->post("/titles/{$first->id}/follow", ['how' => 'borrow'])->assertRedirect("/titles/{$first->id}#series");
        $this->be($told->person)->post("/titles/{$first->id}/follow", ['how' => 'tell']);
        $this->get("/titles/{$first->id}")
            ->assertSee('You follow “Tide &amp; Timber” and are told of its next issue.', false)
            ->assertSee('No longer follow');
        $this->artisan('lending:tick');
        $this->assertSame(0, DB::table('notices')->count());

        $this->travel(1)->days();
        $third = $this->issue(3);
        $this->licence($third, starts: '+2 days');
        $this->artisan('lending:tick');
        $this->assertSame(0, DB::table('notices')->where('kind', 'issue_here')->count(), 'it has not come yet');

        $this->travel(3)->days();
        $this->artisan('lending:tick');
        $this->artisan('lending:tick');
        $this->assertSame(
            [$third->id],
            DB::table('loans')->where('card_id', $this->card->id)->pluck('title_id')->all(),
        );
        $this->assertSame(0, DB::table('loans')->where('card_id', $told->id)->count());
        $this->assertSame(2, DB::table('notices')->where('kind', 'issue_here')->count());
        $this->be($told->person)->get('/notices')->assertSee('“Tide & Timber”: Issue 3 has come');
        $this->be($this->card->person)->get('/notices')->assertSee('“Tide & Timber”: Issue 3 is on loan to you');

        // A second licence of the same issue, and one who no longer follows.
        $this->travel(1)->days();
        $this->licence($third);
        $this->be($told->person)->post("/titles/{$first->id}/follow", ['how' => 'stop']);
        $this->licence($this->issue(4));
        $this->travel(1)->days();
        $this->artisan('lending:tick');
        $this->assertSame(
            1,
            DB::table('notices')
                ->where(['kind' => 'issue_here', 'person_id' => $told->person_id])
                ->count(),
        );
        $this->assertSame(
            2,
            DB::table('notices')
                ->where(['kind' => 'issue_here', 'person_id' => $this->card->person_id])
                ->count(),
        );
    }

    public function test_an_issue_on_order_comes_when_its_file_does(): void
    {
        $first = Title::query()->where('edition', 'Issue 1')->firstOrFail();
        $this->post("/titles/{$first->id}/follow", ['how' => 'borrow']);
        $this->travel(1)->days();
        $this->licence($third = $this->issue(3, onOrder: true));
        $this->travel(1)->days();
        $this->artisan('lending:tick');
        $this->assertSame(0, DB::table('notices')->where('kind', 'issue_here')->count(), 'it has not come yet');
        // Followers were looked after meanwhile, for another issue.
        $this->licence($fourth = $this->issue(4));
        $this->travel(1)->hours();
        $this->artisan('lending:tick');
        $this->travel(1)->days();
        $this->fileOf($third);
        $this->travel(1)->minutes();
        $this->artisan('lending:tick');
        $this->assertSame(
            [$fourth->id, $third->id],
            DB::table('loans')->where('card_id', $this->card->id)->orderBy('id')->pluck('title_id')->all(),
        );
    }

    public function test_what_cannot_be_borrowed_is_told_of(): void
    {
        $first = Title::query()->where('edition', 'Issue 1')->firstOrFail();
        $this->post("/titles/{$first->id}/follow", ['how' => 'borrow']);
        $this->travel(1)->days();
        $this->licence($third = $this->issue(3));
        $this->borrow($this->card(), $third);
        $this->artisan('lending:tick');
        $this->get('/notices')->assertSee('could not be borrowed for you at this moment');
    }

    public function test_only_a_magazine_is_followed_and_only_so(): void
    {
        $this->licence($book = $this->title('A Book'));
        $this->post("/titles/{$book->id}/follow", ['how' => 'tell'])->assertNotFound();
        $first = Title::query()->where('edition', 'Issue 1')->firstOrFail();
        $this->postJson("/titles/{$first->id}/follow", ['how' => 'always'])->assertUnprocessable();
        $this->post('/sign-out');
        $this->post("/titles/{$first->id}/follow", ['how' => 'tell'])->assertRedirect('/sign-in');
        $this->assertSame(0, DB::table('follows')->count());
    }
}
