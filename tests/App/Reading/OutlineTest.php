<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Reading\Pages\LoanPages;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Where pages and chapters begin. */
final class OutlineTest extends TestCase
{
    use ImportsBooks;

    public function test_chapters_have_the_pages_of_the_books_own_list(): void
    {
        $publication = $this->importBook()->publication ?? $this->fail('The title has a file.');
        $pages = app(LoanPages::class);
        $chapters = $pages->chapters($publication);
        $this->assertSame(
            [
                '1. The Column That Leaned',
                '2. What the Rakers Said',
                '3. Gannet Stairs',
                '4. The Keeper’s Account',
                '5. Closing the Books',
            ],
            array_column($chapters, 'name'),
        );
        $this->assertSame(1, $chapters[0]['from']);
        foreach ($chapters as $n => $chapter) {
            $this->assertLessThanOrEqual($chapter['to'], $chapter['from']);
            $this->assertContains(
                ($chapters[$n + 1]['from'] ?? $pages->pages($publication)->count() + 1) - $chapter['to'],
                [0, 1],
                'they follow one another',
            );
        }
    }
}
