<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Loan;
use App\Models\Publication;
use App\Reading\Pages\PrintedPages;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Printing, copying and saving pages within what the licence allows. */
final class PrintTest extends TestCase
{
    use ImportsBooks;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->loan = $this->borrow($card = $this->card(), $this->importBook());
        DB::table('licences')->update(['pages_allowed' => 3]);
        $this->be($card->person);
    }

    public function test_pages_are_counted_once_and_a_refusal_says_how_many_are_left(): void
    {
        $address = "/loans/{$this->loan->id}/pages";
        $this->get($address)->assertOk()->assertSee('may still print or copy 3 pages')->assertDontSee('Save as PDF');
        $this->post($address, ['from' => '2', 'to' => '3'])->assertRedirect("{$address}/2-3");
        $this->get("{$address}/2-3")
            ->assertOk()
            ->assertSee('Pages 2 to 3')
            ->assertSee('The Salt Ledger');
        $this->post($address, ['from' => '2', 'to' => '3'])->assertRedirect("{$address}/2-3");
        $this->assertSame([[1.0, 3.0]], $this->taken());
        $this->from($address)
            ->post($address, ['from' => '3', 'to' => '6'])
            ->assertRedirect($address)
            ->assertSessionHasErrors(['from' => 'This is 3 pages more, and this loan has 1 left. Choose less.']);
        $this->assertSame([[1.0, 3.0]], $this->taken());
        $this->post($address, ['from' => '4', 'to' => '4'])->assertRedirect("{$address}/4-4");
        $this->from($address)
            ->post($address, ['from' => '5', 'to' => '5'])
            ->assertSessionHasErrors(['from' => 'This loan has no pages left to print or copy.']);
        $this->get($address)->assertSee('no pages left');

        // What was not taken is not shown for its address.
        $this->get("{$address}/2-5")->assertRedirect($address);
        $this->get("{$address}/5-5")->assertRedirect($address);
    }

    public function test_copied_text_counts_as_so_much_of_its_page_and_the_price_is_said_before(): void
    {
        $copies = "/loans/{$this->loan->id}/copies";
        // Without a list of its own its pages are its positions.
        DB::table('publications')->update(['page_list' => '[]']);
        $publication = $this->publication();
        $positions = $publication->positions[1][1];
        // Of the second document a fifth of one of its pages.
        $part = self::part([1, 0], [1, 0.2 / $positions]);
        $this->getJson("{$copies}?" . http_build_query($part))
            ->assertOk()
            ->assertJsonPath('left', 3)
            ->assertJsonPath('message', 'Copying takes 0.2 of 3 pages left.');
        $this->assertSame([], $this->taken(), 'a question takes nothing');
        $this->postJson($copies, $part)
            ->assertOk()
            ->assertJsonPath('message', 'Copied. This loan may print or copy 2.8 pages more.');
        // The same again, and what of it was copied before, takes nothing.
        $this->getJson("{$copies}?" . http_build_query($part))
            ->assertJsonPath('price', 0)
            ->assertJsonPath('message', 'Copied before: copying takes nothing more.');
        $this->postJson($copies, $part)->assertJsonPath(
            'message',
            'Copied. This loan may print or copy 2.8 pages more.',
        );
        $before = $publication->positions[0][1];
        $this->assertEqualsWithDelta([[$before, $before + 0.2]], $this->taken(), 0.01);
        // Its page is not printed for that, and costs the rest.
        $page = $before + 1;
        $this->get("/loans/{$this->loan->id}/pages/{$page}-{$page}")->assertRedirect();
        $this->post("/loans/{$this->loan->id}/pages", ['from' => (string) $page, 'to' => (string) ($page + 1)]);
        $this->get("/loans/{$this->loan->id}/pages")->assertSee('may still print or copy 1 page.');
        // More than is left is refused, and nothing of it is taken.
        $all = self::part([0, 0], [count($publication->positions) - 1, 1]);
        $this->getJson("{$copies}?" . http_build_query($all))->assertJsonPath(
            'message',
            fn(string $said): bool => str_contains($said, 'pages more, and this loan has 1 left'),
        );
        $this->postJson($copies, $all)->assertConflict();
        $this->get("/loans/{$this->loan->id}/pages")->assertSee('may still print or copy 1 page.');
        // Where all may be copied there is no price.
        DB::table('licences')->update(['pages_allowed' => null]);
        $this->getJson("{$copies}?" . http_build_query($all))->assertJsonPath('message', '');
        $this->postJson($copies, $all)->assertOk()->assertJsonPath('message', 'Copied.');
    }

    public function test_what_is_no_text_of_the_book_is_not_copied(): void
    {
        $copies = "/loans/{$this->loan->id}/copies";
        foreach (
            [
                self::part([1, 0.5], [1, 0.2]),
                self::part([0, 0], [0, 1.5]),
                self::part([-1, 0], [0, 1]),
                self::part(['x', 0], [0, 1]),
                ['from_document' => 1],
                [],
            ]
            as $wrong
        ) {
            $this->postJson($copies, $wrong)->assertUnprocessable();
            $this->getJson("{$copies}?" . http_build_query($wrong))->assertUnprocessable();
        }
        $this->assertSame([], $this->taken());
        $this->be($this->card()->person);
        $this->postJson($copies, self::part([0, 0], [0, 0.1]))->assertNotFound();
    }

    public function test_what_is_no_page_is_refused_with_what_there_is(): void
    {
        $address = "/loans/{$this->loan->id}/pages";
        $this->postJson($address, ['from' => 'xii'])
            ->assertUnprocessable()
            ->assertJsonPath(
                'errors.from.0',
                fn(string $said): bool => str_starts_with(
                    $said,
                    'There is no page “xii”. This book has the pages 1 to ',
                ),
            );
        $this->postJson($address, ['from' => '3', 'to' => '2'])
            ->assertUnprocessable()
            ->assertJsonPath('errors.to.0', 'The last page comes before the first. Turn them round.');
        $this->postJson($address, ['from' => ['3']])->assertUnprocessable();
        $this->get("{$address}/0-1")->assertRedirect($address);
        $this->be($this->card()->person);
        $this->get($address)->assertNotFound();
        $this->postJson($address, ['from' => '1'])->assertNotFound();
    }

    public function test_a_loan_that_has_ended_prints_nothing(): void
    {
        $this->post("/loans/{$this->loan->id}/pages", ['from' => '1', 'to' => '1']);
        $this->later(days: 60);
        $this->get("/loans/{$this->loan->id}/pages/1-1")->assertStatus(410);
        $this->postJson("/loans/{$this->loan->id}/pages", ['from' => '1'])->assertStatus(410);
        $this->getJson("/loans/{$this->loan->id}/copies")->assertStatus(410);
        $this->postJson("/loans/{$this->loan->id}/copies")->assertStatus(410);
    }

    public function test_pages_come_as_pdf_where_the_licence_allows_it(): void
    {
        $this->post("/loans/{$this->loan->id}/pages", ['from' => '2', 'to' => '3', 'pdf' => '1'])->assertRedirect(
            $pdf = "/loans/{$this->loan->id}/pages/2-3.pdf",
        );
        $this->get($pdf)->assertForbidden();
        DB::table('licences')->update(['chapters_as_pdf' => true]);
        $this->get("/loans/{$this->loan->id}/pages")->assertSee('Save as PDF');
        $answer = $this->get($pdf)->assertOk()->assertHeader('Content-Type', 'application/pdf')->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $answer);
        $bytes = (string) file_get_contents($answer->getFile()->getPathname());
        // Poppler reads it, and finds the text of those pages.
        $process = new Process(['pdftotext', '-', '-'], input: $bytes);
        $text = (string) preg_replace('/\s+/', ' ', $process->mustRun()->getOutput());
        $shown = html_entity_decode(
            strip_tags((string) $this->get("/loans/{$this->loan->id}/pages/2-3")->getContent()),
            ENT_QUOTES | ENT_HTML5,
        );
        preg_match(
            '/\pL[\pL ,]{30,60}\pL/u',
            (string) preg_replace('/\s+/', ' ', (string) preg_replace('/^.*Pages 2 to 3/s', '', $shown)),
            $m,
        );
        $this->assertCount(1, $m);
        $this->assertStringContainsString($m[0], $text);
        // It is a page that a screen reader finds its way in.
        $process = new Process(['pdfinfo', '-struct', '-'], input: $bytes);
        $this->assertMatchesRegularExpression(
            '/^Document\R +P \(block\)\R +Sect\R.*^ +P \(block\).*^ +Div\R$/ms',
            $process->mustRun()->getOutput() . "\n",
        );
        $this->get("/loans/{$this->loan->id}/pages/2-4.pdf")->assertRedirect();
    }

    public function test_nothing_in_a_book_acts_on_the_printed_page(): void
    {
        $folder = storage_path("publications/{$this->publication()->sha256}/whole");
        $path = $this->publication()->positions[1][0];
        $whole = (string) file_get_contents("{$folder}/{$path}");
        chmod("{$folder}/{$path}", 0644);
        file_put_contents(
            "{$folder}/{$path}",
            (string) preg_replace(
                '~<p~',
                '<script src="evil.js">alert(1)</script><p onclick="alert(2)" style="position:fixed"><a ' .
                    'href="javascript:alert(3)">Press</a><img src="http://elsewhere.example/x.png" ' .
                    'alt="Elsewhere"/><img src="../../../../../../etc/passwd" alt="Up"/></p><p',
                $whole,
                1,
            ),
        );
        DB::table('licences')->update(['pages_allowed' => null, 'chapters_as_pdf' => true]);
        $this->post("/loans/{$this->loan->id}/pages", ['from' => '1', 'to' => '6']);
        $html = (string) $this->get("/loans/{$this->loan->id}/pages/1-6")
            ->assertOk()
            ->assertSee('Press')
            ->getContent();
        $html = substr(
            $html,
            (int) strpos($html, '<article'),
            (int) strpos($html, '</article>') - (int) strpos($html, '<article'),
        );
        foreach (['evil.js', 'alert(', 'onclick', 'style=', 'elsewhere.example', 'passwd'] as $bad) {
            $this->assertStringNotContainsString($bad, $html);
        }
        $this->get("/loans/{$this->loan->id}/pages/2-6.pdf")->assertOk();
    }

    public function test_what_a_pdf_would_show_as_boxes_is_shown_and_printed_and_not_set(): void
    {
        DB::table('licences')->update(['pages_allowed' => 5, 'chapters_as_pdf' => true]);
        $publication = $this->publication();
        $address = "/loans/{$this->loan->id}/pages";
        foreach (['שלום', 'السلام', '灯台', 'नमस्ते', 'ไทย', '𝑥'] as $n => $word) {
            $this->assertTrue(PrintedPages::isSettable('<p>Faro ñandú Ωμέγα Маяк Փարոս შუქურა 1984 – “…” ☼ ᴀ</p>'));
            $this->assertFalse(PrintedPages::isSettable("<p>One word: {$word}</p>"), $word);
            $n === 0 && $this->write($publication, $word);
        }
        $why = 'These pages are in a script that cannot be set as a PDF here. Show them to print instead.';
        $this->from($address)
            ->post($address, ['from' => '2', 'to' => '3', 'pdf' => '1'])
            ->assertRedirect($address)
            ->assertSessionHasErrors(['from' => $why]);
        $this->assertSame([], $this->taken(), 'nothing is counted');
        $this->post($address, ['from' => '2', 'to' => '3'])->assertRedirect("{$address}/2-3");
        $this->get("{$address}/2-3")
            ->assertOk()
            ->assertSee('שלום')
            ->assertDontSee('name="way"', false);
        $this->get("{$address}/2-3.pdf")->assertStatus(422);
        $this->from("{$address}/2-3")
            ->post(route('sendings.pages', [$this->loan, 2, 3], false), ['way' => 'mail'])
            ->assertRedirect("{$address}/2-3")
            ->assertSessionHas('refusal', $why);
        $this->assertSame(0, DB::table('sendings')->count());
    }

    public function test_what_stands_above_and_below_the_pages_is_to_be_read_as_well(): void
    {
        DB::table('licences')->update(['pages_allowed' => 5, 'chapters_as_pdf' => true]);
        $address = "/loans/{$this->loan->id}/pages";
        $this->post($address, ['from' => '2', 'to' => '3', 'pdf' => '1'])->assertRedirect("{$address}/2-3.pdf");
        $this->get("{$address}/2-3")->assertSee('name="way"', false);
        DB::table('titles')
            ->where('id', $this->loan->title_id)
            ->update(['name' => '灯台']);
        $this->post($address, ['from' => '4', 'to' => '4', 'pdf' => '1'])->assertSessionHasErrors('from');
        $this->get("{$address}/2-3.pdf")->assertStatus(422);
        $this->get("{$address}/2-3")
            ->assertOk()
            ->assertDontSee('name="way"', false);
        DB::table('licences')->update(['chapters_as_pdf' => false]);
        $this->get("{$address}/2-3")
            ->assertOk()
            ->assertDontSee('name="way"', false);
    }

    /** Puts a word into each paragraph of a book. */
    private function write(Publication $publication, string $word): void
    {
        $folder = storage_path("publications/{$publication->sha256}/whole");
        foreach (array_column($publication->positions, 0) as $path) {
            chmod("{$folder}/{$path}", 0644);
            $text = (string) file_get_contents("{$folder}/{$path}");
            file_put_contents("{$folder}/{$path}", preg_replace('~<p[^>]*>~', "$0{$word} ", $text));
        }
    }

    public function test_a_title_and_a_passage_are_cited_in_six_styles_and_words_looked_up(): void
    {
        $title = $this->loan->title_id;
        $this->get("/titles/{$title}/cite")
            ->assertOk()
            ->assertSeeInOrder(['APA', 'MLA', 'Chicago', 'Harvard', 'Vancouver', 'ASA'])
            ->assertSee('Cite this title');
        $this->get("/titles/{$title}/cite?page=12&section=The+Quay", ['X-Part' => 'drawer'])
            ->assertOk()
            ->assertSee('p. 12)')
            ->assertDontSee('<html', false);
        $this->get("/titles/{$title}/cite?section=The+%3Cb%3EQuay", ['X-Part' => 'drawer'])
            ->assertOk()
            ->assertSee('The <b>Quay section)');
        $this->get('/dictionary?word=Harbours&language=en-GB')->assertOk()->assertSee('a sheltered port');
        $this->get('/dictionary?word=Faros&language=es')->assertOk()->assertSee('headlight');
        $this->get('/dictionary?word=zzyzzx&language=en')->assertOk()->assertSee('does not have “zzyzzx”');
        $this->get('/dictionary?word=ord&language=da')->assertOk()->assertSee('no dictionary here');
        $this->get('/dictionary?word[]=x&language=en')->assertStatus(400);
    }

    /**
     * @param  array{int|string, float|int}  $from  document, and how far in it
     * @param  array{int|string, float|int}  $to
     * @return array<string, int|string|float>
     */
    private static function part(array $from, array $to): array
    {
        return ['from_document' => $from[0], 'from_share' => $from[1], 'to_document' => $to[0], 'to_share' => $to[1]];
    }

    /** @return list<array{float, float}> */
    private function taken(): array
    {
        return array_values(
            DB::table('pages_taken')
                ->orderBy('starts')
                ->get(['starts', 'ends'])
                ->map(fn(\stdClass $of): array => [(float) $of->starts, (float) $of->ends])
                ->all(),
        );
    }

    private function publication(): Publication
    {
        return $this->loan->title->publication ?? $this->fail('The title has a file.');
    }
}
