<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SearchWords;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SearchWordsTest extends TestCase
{
    #[TestWith(['Café de São João', 'cafe de sao joao'])]
    #[TestWith(["L'Île  d’Or!", 'l ile d or'])]
    #[TestWith(['ŁÓDŹ', 'łodz'])]
    #[TestWith(['قِنْدِيل', 'قنديل'])]
    #[TestWith(['漁師のうた', '漁 師 の う た'])]
    #[TestWith(['Ｆｕｌｌ　ｗｉｄｔｈ', 'full width'])]
    #[TestWith(['!!! & | ( ) :* <->', ''])]
    public function test_folding(string $text, string $folded): void
    {
        $this->assertSame($folded, SearchWords::fold($text));
    }

    public function test_a_query_has_few_words_each_once(): void
    {
        $this->assertSame(['low', 'water'], SearchWords::of('Low  water, LOW'));
        $this->assertCount(24, SearchWords::of(implode(' ', range(1, 500))));
        $this->assertSame([], SearchWords::of(" \t "));
    }

    public function test_editions_of_one_work_share_a_key(): void
    {
        $by = fn(string $name, Format $format, string $author): string => (new Record(
            'k',
            $format,
            $name,
            [['name' => $author, 'sort' => $author, 'role' => 'author']],
            1,
        ))->workKey();

        $this->assertSame(
            $by('Low Water', Format::Ebook, 'Tamsin Ebbing'),
            $by('Low water!', Format::Audiobook, 'Tamsin  Ebbing'),
        );
        $this->assertNotSame(
            $by('Low Water', Format::Ebook, 'Tamsin Ebbing'),
            $by('Low Water', Format::Ebook, 'Another'),
        );
    }

    public function test_a_record_is_valid_or_not_at_all(): void
    {
        $this->expectException(InvalidArgumentException::class);
        new Record('k', Format::Ebook, 'Name', [], 1, published: 'spring 2020');
    }

    public function test_audiences_cover_the_younger_ones(): void
    {
        $this->assertTrue(Audience::Adult->covers(Audience::Child));
        $this->assertTrue(Audience::Teen->covers(Audience::Teen));
        $this->assertFalse(Audience::Child->covers(Audience::Teen));
    }
}
