<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Lending\Licences\LicenceTerms;
use App\Models\Publication;
use App\Reading\Publications\ImportPublication;
use Dompdf\Dompdf;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;
use FigPorch\Demo\DemoEbooks;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** PDF from the file to the page. */
final class PdfTest extends TestCase
{
    private function pdf(int $pages, string $title = 'A Chart of the Sound', ?string $password = null): string
    {
        $pdf = new Dompdf();
        $pdf->loadHtml(
            implode(
                '<div style="page-break-after: always"></div>',
                array_map(fn(int $n): string => "<p>Words of page number {$n}.</p>", range(1, $pages)),
            ),
        );
        $pdf->render();
        foreach (
            [
                'Title' => $title,
                'Author' => 'Maren Osei; Juno Pike',
                'Keywords' => DemoEbooks::isbn(901) . ', sea',
                'Subject' => 'Where the rocks are.',
            ]
            as $name => $value
        ) {
            $title === '' || $pdf->addInfo($name, $value);
        }
        $canvas = $pdf->getCanvas();
        \assert($canvas instanceof \Dompdf\Adapter\CPDF);
        $password === null || $canvas->get_cpdf()->setEncryption($password, 'owner');
        $file = tempnam(sys_get_temp_dir(), 'chart') . '.pdf';
        file_put_contents($file, (string) $pdf->output());

        return $file;
    }

    private function textOf(string $file): string
    {
        return (new Process(['pdftotext', $file, '-']))->mustRun()->getOutput();
    }

    /** @return array{title: \App\Models\Title, new: bool} */
    private function takeIn(string $file): array
    {
        $import = app(ImportPublication::class);

        return $import(
            $file,
            $this->library(),
            new LicenceTerms(LicenceModel::OneCopyOneUser, copies: 1),
            $this->now(),
        );
    }

    public function test_a_pdf_is_taken_in_with_what_it_says_of_itself_and_read_on_loan(): void
    {
        $title = $this->takeIn($file = $this->pdf(24))['title']->refresh();
        $this->assertSame(
            ['A Chart of the Sound', 24, 'Where the rocks are.', DemoEbooks::isbn(901)],
            [$title->name, $title->extent, $title->description, $title->isbn],
        );
        $this->assertSame(['Maren Osei', 'Juno Pike'], $title->namesOf('author'));
        $this->assertNotNull($title->cover_file);
        $this->assertFalse($this->takeIn($file)['new'], 'the same file twice is one title');

        $loan = $this->borrow($card = $this->card(), $title);
        $this->be($card->person)
            ->get("/loans/{$loan->id}/read")
            ->assertOk()
            ->assertSee("/loans/{$loan->id}/files/document.pdf", false);
        $this->get("/loans/{$loan->id}/files/document.pdf", ['Range' => 'bytes=0-7'])
            ->assertStatus(206)
            ->assertHeader('Content-Type', 'application/pdf');
        $this->post("/loans/{$loan->id}/pages", ['from' => '23', 'to' => '24'])->assertRedirect(
            "/loans/{$loan->id}/pages/23-24",
        );
        // Of its text a part of a page is copied.
        $this->postJson("/loans/{$loan->id}/copies", [
            'from_document' => 0,
            'from_share' => 0.5,
            'to_document' => 1,
            'to_share' => 0.25,
        ])
            ->assertOk()
            ->assertJson(['left' => 17.25]);
        $this->get("/loans/{$loan->id}/pages")
            ->assertOk()
            ->assertSee('The book has the pages 1 to 24.');
        $this->get("/loans/{$loan->id}/pages/23-24")
            ->assertOk()
            ->assertSee("src=\"/loans/{$loan->id}/pages/23.png\"", false)
            ->assertSee("src=\"/loans/{$loan->id}/pages/24.png\"", false);
        $picture = $this->get("/loans/{$loan->id}/pages/24.png")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');
        $this->assertNotFalse(getimagesizefromstring((string) $picture->getContent()));
        foreach (['22', '0', '25'] as $notTaken) {
            $this->get("/loans/{$loan->id}/pages/{$notTaken}.png")->assertNotFound();
        }
        $this->get("/loans/{$loan->id}/pages/22-24")->assertRedirect();
        $loan->licence->update(['chapters_as_pdf' => true]);
        $answer = $this->get("/loans/{$loan->id}/pages/23-24.pdf")->assertOk()->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $answer);
        $part = $answer->getFile()->getPathname();
        $this->assertStringContainsString('page number 24.', $text = $this->textOf($part));
        $this->assertStringNotContainsString('page number 22.', $text);
        $this->be($this->card()->person)
            ->get("/loans/{$loan->id}/files/document.pdf")
            ->assertNotFound();
    }

    public function test_the_excerpt_is_a_tenth_of_its_pages_and_no_more(): void
    {
        $title = $this->takeIn($this->pdf(24))['title'];
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        $folder = storage_path("publications/{$publication->sha256}");
        $this->assertSame([['document.pdf', 2]], $publication->excerpt_positions);
        $this->assertStringContainsString('page number 2.', $this->textOf("{$folder}/excerpt/document.pdf"));
        $this->assertStringNotContainsString('page number 3.', $this->textOf("{$folder}/excerpt/document.pdf"));
        $this->get("/titles/{$title->id}/excerpt")->assertOk();
        $this->get("/titles/{$title->id}/excerpt/files/document.pdf")->assertOk();
        $this->get("/titles/{$title->id}/excerpt/files/../whole/document.pdf")->assertNotFound();

        $leaf = $this->takeIn($this->pdf(1, ''))['title'];
        $this->assertStringStartsWith(
            'chart',
            $leaf->name,
            'a PDF that says nothing is called what its file is called',
        );
        $this->get("/titles/{$leaf->id}/excerpt")->assertNotFound();
    }

    public function test_what_is_locked_or_broken_is_refused_with_the_reason(): void
    {
        $broken = (string) tempnam(sys_get_temp_dir(), 'broken');
        file_put_contents($broken, "%PDF-1.7\nand nothing of the kind");
        foreach (
            [
                [$this->pdf(3, password: 'secret'), Reason::Encrypted],
                [$this->pdf(3, password: ''), Reason::Encrypted],
                [$broken, Reason::BadPdf],
            ]
            as [$file, $reason]
        ) {
            try {
                $this->takeIn($file);
                $this->fail("{$reason->value} was taken in");
            } catch (UnreadablePublication $refusal) {
                $this->assertSame($reason, $refusal->reason);
            }
        }
    }
}
