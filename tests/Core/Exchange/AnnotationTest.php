<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use DateTimeImmutable;
use FigPorch\Core\Exchange\Annotations\Annotation;
use FigPorch\Core\Exchange\Annotations\AnnotationFile;
use FigPorch\Core\Reading\Locator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** W3C Web Annotation Data Model, Recommendation of 2017. */
final class AnnotationTest extends TestCase
{
    /**
     * @return iterable<string, array{Locator, array<string, mixed>}> the selectors of §4.2.1 and, refined, of §4.2.9
     */
    public static function places(): iterable
    {
        yield 'in a book' => [
            new Locator(
                href: 'c2.xhtml',
                type: 'application/xhtml+xml',
                progression: 0.5,
                totalProgression: 0.25,
                position: 9,
                fragments: ['epubcfi(/6/8!/4/2)', 'page=4'],
            ),
            [
                'type' => 'FragmentSelector',
                'conformsTo' => 'http://idpf.org/epub/linking/cfi/epub-cfi.html',
                'value' => 'epubcfi(/6/8!/4/2)',
            ],
        ];
        yield 'in a recording' => [
            new Locator(
                href: 'b.mp3',
                type: 'audio/mpeg',
                progression: 0.5,
                totalProgression: 0.58,
                position: null,
                fragments: ['t=7.5'],
            ),
            [
                'type' => 'FragmentSelector',
                'conformsTo' => 'http://tools.ietf.org/rfc/rfc3986',
                'value' => 'b.mp3',
                'refinedBy' => [
                    'type' => 'FragmentSelector',
                    'conformsTo' => 'http://www.w3.org/TR/media-frags/',
                    'value' => 't=7.5',
                ],
            ],
        ];
        yield 'only a share of a file' => [
            new Locator('c2.xhtml', 'application/xhtml+xml', 0.123456, 0.25),
            [
                'type' => 'FragmentSelector',
                'conformsTo' => 'http://tools.ietf.org/rfc/rfc3986',
                'value' => 'c2.xhtml',
                'refinedBy' => ['type' => 'FragmentSelector', 'value' => 'progression=0.1235'],
            ],
        ];
    }

    /** @param  array<string, mixed>  $selector */
    #[Test, DataProvider('places')]
    public function each_place_has_its_selector(Locator $place, array $selector): void
    {
        $made = self::annotation($place, '')->toArray();
        self::assertSame(['source' => 'urn:isbn:9798999903013', 'selector' => $selector], $made['target']);
        self::assertSame(
            ['urn:uuid:11111111-1111-4111-8111-111111111111', 'bookmarking', '2026-05-01T11:00:00Z'],
            [$made['id'], $made['motivation'], $made['created']],
        );
        self::assertArrayNotHasKey('body', $made);
    }

    #[Test]
    public function what_looks_like_markup_stays_text_in_markdown(): void
    {
        $place = new Locator('c2.xhtml', 'application/xhtml+xml', 0.5, 0.25);
        self::assertSame(
            "# Marks\n\n## Low \\_Water\\_\n\n- Page 4\n\n  1\\. \\# one \\`two\\` \\[three\\]\\(x\\) \\<b\\>\n  " .
                "\\- four\n",
            AnnotationFile::markdown('Marks', [self::annotation($place, "1. # one `two` [three](x) <b>\n- four")]),
        );
    }

    private static function annotation(Locator $place, string $note): Annotation
    {
        return new Annotation(
            id: '11111111-1111-4111-8111-111111111111',
            source: 'urn:isbn:9798999903013',
            title: 'Low _Water_',
            locator: $place,
            label: 'Page 4',
            note: $note,
            madeAt: new DateTimeImmutable('2026-05-01 12:00:00+01:00'),
            changedAt: new DateTimeImmutable('2026-05-02 12:00:00+01:00'),
        );
    }
}
