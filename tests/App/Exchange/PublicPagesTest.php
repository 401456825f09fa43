<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Models\Title;
use DOMDocument;
use DOMXPath;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** What search engines and reference managers find: site maps, data in a title's page, one title as a file. */
final class PublicPagesTest extends TestCase
{
    /** @return list<string> */
    private function addresses(string $of): array
    {
        $xml = new DOMDocument();
        $this->assertTrue($xml->loadXML((string) $this->get($of)->assertOk()->getContent()));
        $this->assertSame('http://www.sitemaps.org/schemas/sitemap/0.9', $xml->documentElement?->namespaceURI);

        $addresses = [];
        foreach ($xml->getElementsByTagName('loc') as $loc) {
            $addresses[] = $loc->textContent;
        }

        return $addresses;
    }

    public function test_the_site_map_leads_to_every_title_that_is_lent_and_to_no_other(): void
    {
        $lent = [$this->title('One'), $this->title('Two', audience: Audience::Child)];
        // In another part.
        DB::statement("select setval('titles_id_seq', 123456)");
        $lent[] = $this->title('Far');
        foreach ($lent as $title) {
            $this->licence($title);
        }
        $this->title('Nobody has it');
        $robots = (string) $this->get('/robots.txt')->assertOk()->getContent();
        $this->assertSame(1, preg_match('~^Sitemap: http://[^/]+(/\S+)$~m', $robots, $map));
        $pages = [];
        foreach ($this->addresses($map[1]) as $part) {
            array_push($pages, ...$this->addresses($part));
        }
        $this->assertSame(array_map(fn(Title $of): string => url("/titles/{$of->id}"), $lent), $pages);
        foreach ($pages as $page) {
            $this->library();
            $this->get($page)->assertOk();
        }
        $this->get('/sitemap-999999.xml')->assertNotFound();
    }

    public function test_a_title_says_what_it_is_to_programs_whatever_its_name(): void
    {
        $name = 'Tide </script><script>alert(1)</script> & “Low” <!--';
        $this->licence($title = $this->title($name, Format::Audiobook, author: 'Íñigo "Ash" O\'Marsh'));
        $title->update(['isbn' => '9780306406157', 'publisher' => 'Gullwing & Sons', 'published' => '2021-03']);
        $html = (string) $this->get("/titles/{$title->id}?library=saltmere")
            ->assertOk()
            ->getContent();
        $page = new DOMDocument();
        @$page->loadHTML('<?xml encoding="UTF-8">' . $html);
        $find = new DOMXPath($page);
        $data = '//script[@type="application/ld+json"]';
        $this->assertSame(1.0, $find->evaluate("count({$data})"));
        $said = json_decode((string) $find->evaluate("string({$data})"), true, flags: JSON_THROW_ON_ERROR);
        $this->assertSame('https://schema.org', $said['@context']);
        $this->assertSame('Audiobook', $said['@type']);
        $this->assertSame($name, $said['name']);
        $this->assertSame('9780306406157', $said['isbn']);
        $this->assertSame(url("/titles/{$title->id}"), $said['url']);
        $this->assertSame('2021-03', $said['datePublished']);
        $this->assertStringNotContainsString('<script>alert', $html);
        $meta = fn(string $of): string => (string) $find->evaluate("string(//meta[@name='{$of}']/@content)");
        $this->assertSame($name, $meta('DC.title'));
        $this->assertSame('Gullwing & Sons', $meta('DC.publisher'));
        $this->assertSame('Sound', $meta('DC.type'));
        $this->assertSame('urn:isbn:9780306406157', $meta('DC.identifier'));

        foreach (['ris' => 'T1|TI', 'bib' => 'title', 'json' => '"title"'] as $kind => $field) {
            $file = $this->get("/titles/{$title->id}.{$kind}")->assertOk();
            $this->assertMatchesRegularExpression("~{$field}~", (string) $file->getContent());
            $this->assertStringContainsString(".{$kind}\"", (string) $file->headers->get('Content-Disposition'));
        }
        $this->get("/titles/{$title->id}.pdf")->assertNotFound();
        $this->get('/titles/999999.ris')->assertNotFound();
    }
}
