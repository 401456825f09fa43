<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Card;
use App\Models\Loan;
use App\Models\Mark;
use App\Models\Title;
use FigPorch\Demo\DemoEbooks;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Bookmarks, highlights and notes from several devices, in any order. */
final class MarkTest extends TestCase
{
    use ImportsBooks;

    private Card $card;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->loan = $this->borrow($this->card = $this->card(), $this->importBook());
        $this->be($this->card->person);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function keep(
        string $id,
        string $note = '',
        int $secondsAgo = 0,
        bool $removed = false,
        float $at = 0.25,
        ?string $colour = null,
    ): TestResponse {
        return $this->putJson("/loans/{$this->loan->id}/marks/{$id}", [
            'locator' => [
                'href' => 'book/chapter-02.xhtml',
                'type' => 'application/xhtml+xml',
                'locations' => [
                    'progression' => 0.25,
                    'totalProgression' => $at,
                    'fragments' => ['epubcfi(/6/8!/4/2)', 'page=4'],
                ],
            ],
            'label' => 'Page 4 of 7, The Quay',
            'note' => $note,
            'colour' => $colour,
            'removed' => $removed,
            'changed_at' => 5_000_000 - $secondsAgo * 1000,
            'sent_at' => 5_000_000,
        ]);
    }

    public function test_the_last_change_counts_in_whatever_order_and_however_often_it_arrives(): void
    {
        $id = (string) Str::uuid();
        $changes = [['First', 300, false], ['Second thoughts', 200, false], ['', 100, true]];
        foreach ([[0, 1, 2], [2, 1, 0], [1, 2, 0], [2, 0, 1], [0, 0, 2, 1, 2]] as $order) {
            DB::table('marks')->delete();
            foreach ($order as $n) {
                $this->keep($id, ...$changes[$n])->assertNoContent();
            }
            $this->getJson("/loans/{$this->loan->id}/marks")->assertExactJson([]);
            $this->keep($id, 'Back again', 50)->assertNoContent();
            $this->getJson("/loans/{$this->loan->id}/marks")
                ->assertJsonCount(1)
                ->assertJsonPath('0.note', 'Back again');
        }
    }

    public function test_they_stand_in_the_order_of_the_book_on_a_page_of_their_own_and_can_be_found_and_removed(): void
    {
        $this->get('/marks')->assertSee('You have no marks yet');
        $this->keep($later = (string) Str::uuid(), "Her *second* list.\n# Not a heading", at: 0.75);
        $this->keep($first = (string) Str::uuid(), 'Seven out', at: 0.1);
        $this->get('/marks')
            ->assertOk()
            ->assertSeeInOrder(['The Salt Ledger', 'Seven out', 'Her *second* list.']);
        $this->get('/marks?q=SEVEN')->assertSee('Seven out')->assertDontSee('second');
        $this->get('/marks?q=100%25_')->assertSee('No mark has “100%_”');
        $this->post("/marks/{$later}/remove")->assertRedirect();
        $this->post("/marks/{$later}/remove")->assertNotFound();
        $this->get('/marks')->assertDontSee('second')->assertSee('Seven out');

        // They are the patron's own, and stay when the loan has ended.
        $this->later(days: 60);
        $this->artisan('lending:tick');
        $this->get('/marks')->assertSee('Seven out');
        $this->be($this->card()->person);
        $this->get('/marks')->assertDontSee('Seven out');
        $this->post("/marks/{$first}/remove")->assertNotFound();
        $this->assertFalse(Mark::query()->findOrFail($first)->removed);
    }

    public function test_colours_have_names_of_one_s_own_and_are_looked_at_by_them(): void
    {
        $this->keep((string) Str::uuid(), 'For Friday', colour: 'fig');
        $this->keep((string) Str::uuid(), 'By and by', colour: 'sea');
        $this->keep((string) Str::uuid(), 'No colour at all');
        $this->post('/marks/colours', ['fig' => '  In the <b>exam</b> ', 'sea' => 'sea', 'lamp' => ''])->assertRedirect(
            '/marks',
        );
        $this->assertSame(['fig' => 'In the <b>exam</b>'], $this->card->person->fresh()?->colour_names);
        $this->get('/marks')->assertSee('In the <b>exam</b>')->assertSee('For Friday')->assertSee('By and by');
        $this->get('/marks?colour=fig')
            ->assertSee('For Friday')
            ->assertDontSee('By and by')
            ->assertDontSee('No colour');
        $this->get('/marks?colour=clay')->assertSee('No mark is “clay”.');
        $this->get('/marks?colour=nonsense')->assertSee('By and by');
        $this->get("/loans/{$this->loan->id}/read")->assertSee('Highlight: In the <b>exam</b>');
        $this->post('/marks/colours', ['clay' => str_repeat('x', 41)])->assertSessionHasErrors('clay');
        $this->post('/marks/colours', ['fig' => ''])->assertRedirect('/marks');
        $this->assertNull($this->card->person->fresh()->colour_names);
        // To others they are called as they look.
        $this->post('/marks/colours', ['fig' => 'Mine']);
        $this->be($this->card()->person);
        $this->get('/marks')->assertDontSee('Mine');
    }

    public function test_all_marks_of_a_work_are_on_one_page_in_order_with_the_way_there(): void
    {
        $this->keep($later = (string) Str::uuid(), 'Second', at: 0.75);
        $this->keep($first = (string) Str::uuid(), 'First', at: 0.1);
        $title = $this->loan->title;
        // Of another edition of the work, and of another work.
        $other = Title::query()
            ->findOrFail($title->id)
            ->replicate()
            ->fill(['record_key' => 'other']);
        $other->save();
        $apart = $this->importBook((new DemoEbooks())->books()[1]);
        $copied = fn(int $titleId, string $note): bool => DB::table('marks')->insert(
            ['id' => (string) Str::uuid(), 'title_id' => $titleId, 'note' => $note] +
                (array) DB::table('marks')->where('id', $first)->first(),
        );
        $copied($other->id, 'In the other edition');
        $copied($apart->id, 'Elsewhere');
        $this->get("/titles/{$other->id}/marks")
            ->assertOk()
            ->assertSeeInOrder(['First', 'Second', 'In the other edition'])
            ->assertDontSee('Elsewhere')
            ->assertSee("/loans/{$this->loan->id}/read?mark={$later}", false);
        $this->get('/marks')->assertSee("/titles/{$title->id}/marks", false);
        $this->later(days: 60);
        $this->artisan('lending:tick');
        $this->get("/titles/{$title->id}/marks")
            ->assertSee('First')
            ->assertDontSee('?mark=', false);
        $this->be($this->card()->person);
        $this->get("/titles/{$title->id}/marks")->assertSee('You have no marks in this work yet.');
    }

    public function test_in_a_title_that_several_have_on_loan_each_sees_their_own(): void
    {
        $this->keep($id = (string) Str::uuid(), 'Mine alone');
        DB::table('licences')->update(['copies' => 2, 'copies_free' => 1]);
        $other = $this->card();
        $loan = $this->borrow($other, $this->loan->title);

        $this->get("/loans/{$this->loan->id}/marks")
            ->assertOk()
            ->assertJsonPath('0.id', $id);
        $this->be($other->person)
            ->get("/loans/{$loan->id}/marks")
            ->assertOk()
            ->assertExactJson([]);
    }

    public function test_they_are_saved_as_web_annotations_and_as_markdown(): void
    {
        $this->keep($id = (string) Str::uuid(), "Her *second* list.\n# Not a heading");
        $this->keep((string) Str::uuid(), at: 0.9);
        $json = $this->get('/marks/marks.jsonld')
            ->assertOk()
            ->assertHeader('Content-Type', 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"')
            ->json();
        $this->assertSame(
            ['http://www.w3.org/ns/anno.jsonld', 'AnnotationCollection', 2],
            [$json['@context'], $json['type'], $json['total']],
        );
        $this->assertSame(
            [
                'urn:uuid:' . $id,
                'Annotation',
                'commenting',
                ['type' => 'TextualBody', 'value' => "Her *second* list.\n# Not a heading", 'format' => 'text/plain'],
                'http://idpf.org/epub/linking/cfi/epub-cfi.html',
                'epubcfi(/6/8!/4/2)',
                'bookmarking',
            ],
            [
                $json['first']['items'][0]['id'],
                $json['first']['items'][0]['type'],
                $json['first']['items'][0]['motivation'],
                $json['first']['items'][0]['body'],
                $json['first']['items'][0]['target']['selector']['conformsTo'],
                $json['first']['items'][0]['target']['selector']['value'],
                $json['first']['items'][1]['motivation'],
            ],
        );
        $this->assertStringStartsWith('urn:isbn:9798', $json['first']['items'][0]['target']['source']);
        $this->assertSame(
            "# Marks\n\n## The Salt Ledger\n\n- Page 4 of 7, The Quay\n\n  Her \\*second\\* list.\n  \\# Not a " .
                "heading\n- Page 4 of 7, The Quay\n",
            $this->get('/marks/marks.md')->assertOk()->getContent(),
        );
    }

    public function test_a_highlight_keeps_its_text_and_colour_and_is_found_and_saved_by_them(): void
    {
        $id = (string) Str::uuid();
        $keep = fn(?string $colour, string $note, int $at, ?array $text): TestResponse => $this->putJson(
            "/loans/{$this->loan->id}/marks/{$id}",
            [
                'locator' => [
                    'href' => 'book/chapter-02.xhtml',
                    'type' => 'application/xhtml+xml',
                    'locations' => [
                        'progression' => 0.25,
                        'totalProgression' => 0.3,
                        'fragments' => ['epubcfi(/6/8!/4/2,/1:3,/1:9)'],
                    ],
                    'text' => $text,
                ],
                'label' => 'Page 4 of 7',
                'note' => $note,
                'colour' => $colour,
                'removed' => false,
                'changed_at' => $at,
                'sent_at' => 9_000_000,
            ],
        );
        $text = ['before' => 'counted ', 'highlight' => 'the salt', 'after' => ' twice'];
        $keep('sea', '', 5_000_000, $text)->assertNoContent();
        $keep('fig', 'Compare page 9', 6_000_000, $text)->assertNoContent();
        $keep('clay', 'late, and older', 5_500_000, $text)->assertNoContent();
        $keep('pink', '', 7_000_000, $text)->assertUnprocessable();
        $keep('fig', '', 7_000_000, ['highlight' => str_repeat('x', 4001)])->assertUnprocessable();
        $this->getJson("/loans/{$this->loan->id}/marks")
            ->assertJsonPath('0.colour', 'fig')
            ->assertJsonPath('0.note', 'Compare page 9')
            ->assertJsonPath('0.locator.text.before', 'counted ')
            ->assertJsonPath('0.locator.text.after', ' twice');
        $this->get('/marks?q=THE+SALT')->assertSee('the salt')->assertSee('data-colour="fig"', false);
        $item = $this->get('/marks/marks.jsonld')->json('first.items.0');
        $this->assertSame(
            [
                'commenting',
                'fig',
                ['type' => 'TextQuoteSelector', 'exact' => 'the salt', 'prefix' => 'counted ', 'suffix' => ' twice'],
            ],
            [$item['motivation'], $item['target']['styleClass'], $item['target']['selector'][1]],
        );
        $this->assertStringContainsString(
            "- Page 4 of 7\n\n  > the salt\n\n  Compare page 9\n",
            (string) $this->get('/marks/marks.md')->getContent(),
        );
    }

    public function test_what_is_no_mark_or_another_persons_is_refused(): void
    {
        $this->keep($id = (string) Str::uuid(), 'Mine');
        $this->putJson("/loans/{$this->loan->id}/marks/{$id}", ['label' => ''])->assertUnprocessable();
        $this->putJson("/loans/{$this->loan->id}/marks/not-a-uuid", [])->assertNotFound();
        $this->keep((string) Str::uuid(), str_repeat('x', 4001))->assertUnprocessable();
        $this->putJson("/loans/{$this->loan->id}/marks/" . Str::uuid(), [
            'label' => str_repeat('A chapter with a long name ', 40),
            'note' => null,
            'changed_at' => 1,
            'sent_at' => 1,
            'locator' => [
                'href' => 'a',
                'type' => 'a/b',
                'locations' => ['progression' => 0, 'totalProgression' => 0.9],
            ],
        ])->assertNoContent();
        $this->licence($title = $this->title('Another'));
        $other = $this->borrow($stranger = $this->card(), $title);
        $this->be($stranger->person);
        $loan = $this->loan;
        $this->loan = $other;
        $this->keep($id, 'Not mine')->assertConflict();
        $this->assertSame('Mine', DB::table('marks')->where('id', $id)->value('note'));
        $this->loan = $loan;
        $this->keep((string) Str::uuid(), 'Nor this')->assertNotFound();
    }
}
