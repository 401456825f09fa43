<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Publication;
use Illuminate\Support\Facades\DB;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Documents of a loan, many at once: each as it is by itself, in order, and no more than is quick. */
final class DocumentsTest extends TestCase
{
    use ImportsBooks;

    public function test_documents_come_from_one_on_as_they_are_by_themselves(): void
    {
        $title = $this->importBook();
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->be($card->person);
        $publication = Publication::query()->where('title_id', $title->id)->firstOrFail();
        $order = array_column($publication->positions, 0);
        $address = "/loans/{$loan->id}/documents?from=";
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $texts = (array) $this->getJson($address . rawurlencode($order[1]))
            ->assertOk()
            ->json();
        $this->assertSame(array_slice($order, 1), array_keys($texts));
        foreach ($texts as $path => $text) {
            $this->assertStringEqualsFile("{$folder}/{$path}", (string) $text);
        }
        // What is too long, or is not in UTF-8, is asked for by itself.
        DB::table('publications')->update(['sizes' => json_encode([$order[1] => 250_001] + $publication->sizes)]);
        chmod("{$folder}/{$order[2]}", 0o644);
        file_put_contents("{$folder}/{$order[2]}", "<p>\xE9t\xE9</p>");
        $this->assertSame(
            array_slice($order, 3),
            array_keys((array) $this->getJson($address . rawurlencode($order[1]))->json()),
        );
        // No more than a megabyte.
        DB::table('publications')->update(['sizes' => json_encode(array_fill_keys($order, 249_000))]);
        $this->assertSame($order[0], array_keys((array) $this->getJson($address . rawurlencode($order[0]))->json())[0]);
        $this->assertLessThanOrEqual(4, count((array) $this->getJson($address . rawurlencode($order[0]))->json()));

        foreach (['', 'book/package.opf', '../../secret', 'no/such.xhtml'] as $wrong) {
            $this->getJson($address . rawurlencode($wrong))->assertNotFound();
        }
        $this->be($this->card()->person);
        $this->getJson($address . rawurlencode($order[0]))->assertNotFound();
    }
}
