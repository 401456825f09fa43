<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Publication;
use App\Models\Title;
use FigPorch\Demo\DemoEbooks;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** A link to a section leads there, now or once the title is borrowed. */
final class SectionTest extends TestCase
{
    use ImportsBooks;

    private Title $title;

    /** @var array{string, int} label and document of the third entry of its contents */
    private array $entry;

    private string $address;

    protected function setUp(): void
    {
        parent::setUp();
        $this->title = $this->importBook();
        $contents = Publication::query()->where('title_id', $this->title->id)->firstOrFail()->contents;
        [, $label, $document] = $contents[2] + [2 => null];
        $this->entry = [$label, (int) $document];
        $this->get("/titles/{$this->title->id}")->assertOk();
        preg_match(
            "~href=\"(/titles/{$this->title->id}/sections/3-[^\"]+)\"~",
            (string) $this->get("/titles/{$this->title->id}")->getContent(),
            $m,
        );
        $this->address = $m[1] ?? '';
    }

    public function test_who_has_it_on_loan_is_there_and_others_come_there_once_they_have_borrowed_it(): void
    {
        // Before they sign in.
        $answer = $this->get($this->address)->assertRedirect();
        $page = (string) $answer->headers->get('Location');
        $this->get($page)
            ->assertOk()
            ->assertSee("Borrow this title, and it opens at “{$this->entry[0]}”.");

        $card = $this->card();
        $loan = $this->borrow($card, $this->title);
        $this->be($card->person);
        // Not in the page that is taken along for off line.
        $this->assertNull($this->beginning($this->get("/loans/{$loan->id}/read", ['Sec-Fetch-Dest' => 'empty'])));
        $data = $this->beginning($this->get("/loans/{$loan->id}/read")->assertOk());
        $this->assertNotNull($data);
        $this->assertSame([2, $this->entry[0]], [$data['entry'] ?? null, $data['label'] ?? null]);
        $positions = Publication::query()->where('title_id', $this->title->id)->firstOrFail()->positions;
        $this->assertSame($positions[$this->entry[1]][0], $data['locator']['href']);
        $before = array_sum(array_column(array_slice($positions, 0, $this->entry[1]), 1));
        $this->assertEqualsWithDelta(
            $before / array_sum(array_column($positions, 1)),
            $data['locator']['locations']['totalProgression'],
            1e-9,
        );
        // Once: after that it opens where it was left.
        $this->assertNull($this->beginning($this->get("/loans/{$loan->id}/read")));

        $answer = $this->get($this->address)->assertRedirectContains("/loans/{$loan->id}/read?section=3-");
        $this->assertSame(2, $this->beginning($this->get((string) $answer->headers->get('Location')))['entry'] ?? null);
        // The address that then stands above the page leads there as well, whoever has it.
        $this->flushSession();
        $this->be($card->person);
        $this->get($page)->assertSee("It opens at “{$this->entry[0]}”.");
        $this->assertSame(2, $this->beginning($this->get("/loans/{$loan->id}/read"))['entry'] ?? null);
        // The loan is of one person alone.
        $this->be($this->card()->person);
        $this->get($this->address)->assertRedirectContains("/titles/{$this->title->id}?section=3-");
    }

    public function test_a_section_that_is_not_there_any_more_is_said_to_be_gone(): void
    {
        $answer = $this->get("/titles/{$this->title->id}/sections/99-no-such-thing")->assertRedirect();
        $this->get((string) $answer->headers->get('Location'))->assertSee('not in the contents of this title any more');
        $card = $this->card();
        $loan = $this->borrow($card, $this->title);
        $this->be($card->person);
        $this->assertNull($this->beginning($this->get("/loans/{$loan->id}/read?section=99")));
        // What is none forgets nothing.
        $this->get("/titles/{$this->title->id}?section=" . basename($this->address));
        $this->get("/titles/{$this->title->id}?section=gone");
        $this->assertSame(2, $this->beginning($this->get("/loans/{$loan->id}/read"))['entry'] ?? null);
        foreach (['99', 'gone', '0', '3/../..'] as $wrong) {
            $this->get("/titles/{$this->title->id}?section=" . rawurlencode($wrong))
                ->assertOk()
                ->assertDontSee('It opens at');
            $this->assertNull($this->beginning($this->get("/loans/{$loan->id}/read")));
        }
    }

    public function test_a_mark_opens_for_whose_it_is(): void
    {
        $card = $this->card();
        $loan = $this->borrow($card, $this->title);
        $this->be($card->person);
        $id = '0192f0a0-0000-7000-8000-000000000001';
        $locator = [
            'href' => 'book/chapter-02.xhtml',
            'type' => 'application/xhtml+xml',
            'locations' => ['progression' => 0.5, 'totalProgression' => 0.3, 'fragments' => ['epubcfi(/6/8!/4/2)']],
        ];
        $this->putJson("/loans/{$loan->id}/marks/{$id}", [
            'locator' => $locator,
            'label' => 'Page 4',
            'note' => '',
            'changed_at' => 1,
            'sent_at' => 1,
        ])->assertNoContent();
        $this->assertEquals(
            $locator['locations']['fragments'],
            $this->beginning($this->get("/loans/{$loan->id}/read?mark={$id}"))['locator']['locations']['fragments'] ??
                null,
        );
        $this->assertNull($this->beginning($this->get("/loans/{$loan->id}/read?mark=nonsense")));
        $this->assertNull(
            $this->beginning($this->get("/loans/{$loan->id}/read?mark=0192f0a0-0000-7000-8000-00000000000f")),
        );
        // Of another title it is no place in this.
        $second = $this->borrow($card, $this->importBook((new DemoEbooks())->books()[1]));
        $this->assertNull($this->beginning($this->get("/loans/{$second->id}/read?mark={$id}")));
        $other = $this->card();
        $theirs = $this->borrow($other, $this->importedAgain());
        $this->be($other->person);
        $this->assertNull($this->beginning($this->get("/loans/{$theirs->id}/read?mark={$id}")));
    }

    /** The same title with a copy more. */
    private function importedAgain(): Title
    {
        $this->title->licences()->update(['copies' => 2, 'copies_free' => 1]);

        return $this->title;
    }

    /**
     * @param  TestResponse<Response>  $response
     * @return array{locator: array{href: string, locations: array<string, mixed>}, entry?: int, label?: string}|null
     */
    private function beginning(TestResponse $response): ?array
    {
        preg_match(
            '~<script type="application/json" id="reader-data">(.*?)</script>~s',
            (string) $response->getContent(),
            $m,
        );

        return json_decode($m[1] ?? '', true, flags: JSON_THROW_ON_ERROR)['beginning'];
    }
}
