<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\SavedSearches\KeepSearch;
use App\Catalogue\SavedSearches\SendMatchNotices;
use App\Models\Notice;
use App\Models\SavedSearch;
use FigPorch\Core\Catalogue\Format;
use Tests\App\TestCase;

final class SavedSearchTest extends TestCase
{
    private function look(): void
    {
        app(SendMatchNotices::class)($this->now());
    }

    public function test_a_search_is_saved_opened_and_removed(): void
    {
        $this->licence($this->title('Low Water'));
        $person = $this->card()->person;
        $this->actingAs($person)->get('/catalogue?q=water&format=ebook')->assertSee('Save this search');
        $this->post('/searches', [
            'search' => 'q=water&format=ebook&order=title&unknown=1',
            'name' => 'Water',
            'tells' => '1',
        ])->assertRedirect('/searches');
        $this->post('/searches', [
            'search' => 'q=water&format=ebook&order=title&unknown=1',
            'name' => 'Water',
            'tells' => '1',
        ])->assertRedirect('/searches');
        $saved = SavedSearch::query()->sole();
        $this->assertEquals(['q' => 'water', 'format' => 'ebook'], $saved->search);
        $this->get('/searches')->assertSee('Water')->assertSee('1 title');
        $this->get($saved->address())->assertOk()->assertSee('1 title for “water”');
        $this->post("/searches/{$saved->id}/tell", ['tells' => '0']);
        $this->assertFalse($saved->refresh()->tells);

        $this->actingAs($this->card()->person);
        $this->get('/searches')->assertDontSee('q=water');
        $this->post("/searches/{$saved->id}/tell", ['tells' => '1'])->assertNotFound();
        $this->post("/searches/{$saved->id}/remove")->assertNotFound();
        $this->actingAs($person)
            ->post("/searches/{$saved->id}/remove")
            ->assertRedirect('/searches');
        $this->assertSame(0, SavedSearch::query()->count());
    }

    public function test_nothing_without_a_name_or_anything_to_look_for_is_saved(): void
    {
        $this->library();
        $this->actingAs($this->card()->person)
            ->post('/searches', ['search' => 'order=title', 'name' => 'All'])
            ->assertSessionHas('refusal');
        $this->post('/searches', ['search' => 'q=water', 'name' => ' '])->assertSessionHas('refusal');
        $this->assertSame(0, SavedSearch::query()->count());
    }

    public function test_as_many_are_kept_as_anyone_may_and_one_of_them_can_be_changed(): void
    {
        $card = $this->card();
        for ($n = 2; $n <= KeepSearch::MOST; $n++) {
            SavedSearch::query()->create([
                'person_id' => $card->person_id,
                'library_id' => $card->library_id,
                'name' => "Search {$n}",
                'search' => ['q' => 'low'],
                'tells' => false,
                'looked_at' => $this->now(),
            ]);
        }
        $this->be($card->person)->post('/searches', ['search' => 'q=low', 'name' => 'The last']);
        $this->post('/searches', ['search' => 'q=low', 'name' => 'Too many'])->assertSessionHas('refusal');
        $this->post('/searches', ['search' => 'q=high', 'name' => 'The last'])->assertSessionMissing('refusal');

        $this->assertSame(KeepSearch::MOST, SavedSearch::query()->count());
        $this->assertSame(['q' => 'high'], SavedSearch::query()->where('name', 'The last')->firstOrFail()->search);
    }

    public function test_what_is_new_is_told_once_and_what_was_there_is_not(): void
    {
        $this->licence($this->title('Old Water'));
        $person = $this->card()->person;
        $this->travel(1)->days();
        $this->actingAs($person)->post('/searches', ['search' => 'q=water&ready=1', 'name' => 'Water', 'tells' => '1']);
        $this->look();
        $this->assertSame(0, Notice::query()->count());

        $this->travel(1)->hours();
        $this->licence($new = $this->title('New Water'), starts: 'now');
        $this->licence($this->title('Dry Land'));
        $this->borrow($this->card(), $new);
        $this->look();
        $this->look();
        $this->assertSame(['search_found'], Notice::query()->pluck('kind')->all());
        $this->get('/notices')->assertSee('Something new for “Water”')->assertSee('“New Water”');

        $this->travel(1)->minutes();
        $this->licence($this->title('High Water', Format::Audiobook));
        $this->licence($this->title('Low Water'));
        $this->look();
        $this->look();
        $notice = Notice::query()->latest('id')->firstOrFail();
        $this->assertSame([2, 2], [Notice::query()->count(), $notice->facts['count']]);
        $this->get('/notices')->assertSee('2 new titles for “Water”');
        $this->get((string) $notice->facts['address'])->assertOk()->assertSee('High Water');
    }

    public function test_another_copy_or_another_library_s_title_is_no_news(): void
    {
        $this->licence($known = $this->title('Old Water'));
        $this->travel(1)->days();
        $this->actingAs($this->card()->person)->post('/searches', [
            'search' => 'q=water',
            'name' => 'Water',
            'tells' => '1',
        ]);
        $this->travel(1)->hours();
        $this->licence($known);
        $this->licence($this->title('Far Water'), library: $this->library('hollow'));
        $this->look();
        $this->assertSame(0, Notice::query()->count());
    }
}
