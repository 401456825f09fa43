<?php

declare(strict_types=1);

namespace FigPorch\Demo;

/** A book of the demo, ready to be written as an EPUB. */
final readonly class Book
{
    /**
     * @param  list<array{name: string, sort: string, role: string}>  $creators  role: a MARC relator code
     * @param  list<array{title: string, html: string, untold?: bool}>  $chapters  bodies in XHTML; the contents leave
     *     out those untold
     * @param  list<string>  $subjects
     * @param  array<string, string>  $pictures  file name => SVG
     * @param  array<int, array{sound: string, seconds: float, sentences: list<array{string, float, float}>}>  $readings
     *      by chapter: MP3, its length, and the id, beginning and end of each sentence
     * @param  array<string, string>  $accessibility  schema.org property => value
     */
    public function __construct(
        public string $title,
        public array $creators,
        public string $isbn,
        public array $chapters,
        public string $description,
        public string $publisher,
        public string $published,
        public array $subjects,
        public string $language = 'en',
        public string $audience = 'adult',
        public ?string $series = null,
        public int $seriesPosition = 1,
        public ?string $cover = null,
        public array $pictures = [],
        public bool $fixedLayout = false,
        public bool $rightToLeft = false,
        public bool $withPages = false,
        public string $contentsHeading = 'Contents',
        public array $accessibility = [
            'accessMode' => 'textual',
            'accessModeSufficient' => 'textual',
            'accessibilityFeature' => 'tableOfContents',
            'accessibilityHazard' => 'none',
            'accessibilitySummary' => 'Text with a table of contents; pictures have descriptions.',
        ],
        public ?string $ages = null,
        public bool $magazine = false,
        public array $readings = [],
    ) {}
}
