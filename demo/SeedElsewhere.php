<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Lending\Holdings\KeepElsewhere;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;

/** What stands on the shelves of the Lantern Coast, and the websites that its libraries point to. */
final class SeedElsewhere
{
    /** Until the stand-in for websites has its port: the host of their addresses. */
    public const WEBSITES = 'http://websites.lantern.example';

    /** Of how many ebooks one is on paper, too. */
    private const EACH = 9;

    /** Copies have numbers where a system of the library's own knows them. */
    private const PLACES = [
        'saltmere' => 'Upstairs',
        'larkspur-ferry' => 'Ferry room',
        'hollow-tor' => 'Stacks, level 2',
    ];

    /** Name, subtitle, author, year, pages, subject; only on paper. */
    private const LOCAL = [
        ['The Ropewalks of Saltmere', '1790–1911', 'Edda Corrow', '1984', 212, 'Local history', '677.7 COR'],
        ['A Herring Gull’s Year', 'Notes from one roof', 'Wystan Gullick', '1996', 148, 'Birds', '598.3 GUL'],
        ['Wrecks between the Skerries', null, 'Odile Farrant', '1971', 304, 'Local history', '910.4 FAR'],
    ];

    /** Path, name, what it is, for whom, subjects. */
    private const SITES = [
        [
            'tides',
            'Tide tables of the Lantern Coast',
            'High and low water at nine harbours',
            OpenTo::Everybody,
            ['Tides'],
        ],
        [
            'seabirds',
            'The Lantern Coast seabird count',
            'Counts on each skerry since 1951',
            OpenTo::Everybody,
            ['Birds'],
        ],
        ['grants', 'Grants for island schools', 'Who gives money for what', OpenTo::CardHolders, ['Schools']],
        [
            'old-newspapers',
            'Old newspapers of the islands',
            'Pages of eleven newspapers, 1874 to 1962',
            OpenTo::InTheBuilding,
            ['Local history'],
        ],
        ['island-spanish', 'Spanish for islanders', 'Forty lessons to listen to', OpenTo::CardHolders, ['Languages']],
        ['harbour-museum', 'The harbour museum', 'Pictures of lamps and keepers', OpenTo::Everybody, ['Local history']],
        ['ferry-timetable', 'Ferry timetable', 'Between the islands', OpenTo::Everybody, ['Ferries']],
    ];

    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly SaveRecord $saveRecord,
        private readonly KeepElsewhere $keep,
    ) {}

    public function standOnShelves(): void
    {
        $ebooks = Title::query()->where('format', Format::Ebook)->orderBy('id')->get();
        foreach ($ebooks->values() as $n => $ebook) {
            if ($n % self::EACH === self::EACH - 1) {
                $this->onPaper($ebook, $n);
            }
        }
        foreach (self::LOCAL as $n => [$name, $subtitle, $author, $year, $pages, $subject, $call]) {
            $this->put(
                'saltmere',
                new Record(
                    key: "paper:demo:{$n}",
                    format: Format::Paper,
                    name: $name,
                    contributors: [['name' => $author, 'sort' => self::sorted($author), 'role' => 'author']],
                    extent: $pages,
                    subtitle: $subtitle,
                    language: 'en',
                    publisher: 'Saltmere Town Press',
                    published: $year,
                    subjects: [$subject],
                    holdings: [new Holding('Reference, local collection', $call)],
                ),
            );
        }
    }

    public function pointToWebsites(): void
    {
        foreach (self::SITES as [$path, $name, $about, $openTo, $subjects]) {
            $link = new WebLink(self::WEBSITES . "/{$path}", $about, $openTo);
            $record = new Record(
                key: $link->key(),
                format: Format::Website,
                name: $name,
                contributors: [],
                extent: 0,
                language: 'en',
                subjects: $subjects,
                links: [$link],
            );
            $this->put('saltmere', $record);
            $openTo === OpenTo::Everybody && $this->put('larkspur-ferry', $record);
        }
    }

    private function onPaper(Title $ebook, int $n): void
    {
        $of = RecordOfTitle::of($ebook);
        $author = mb_strtoupper(mb_substr($of->contributors[0]['sort'] ?? $of->name, 0, 3));
        $library = array_keys(self::PLACES)[intdiv($n, self::EACH) % count(self::PLACES)];
        $call = match ($library) {
            'saltmere' => sprintf('%03d.%d %s', 800 + ($n % 90), $n % 10, $author),
            'hollow-tor' => sprintf('%03d %s', 800 + ($n % 90), $author),
            default => $author,
        };
        $copies = 1 + ($n % 4 === 1 ? 2 : 0);
        $numbers = array_map(fn(int $k): string => sprintf('LF%05d%d', $n, $k), range(1, $copies));
        $this->put(
            $library,
            new Record(
                key: "paper:{$of->key}",
                format: Format::Paper,
                name: $of->name,
                contributors: array_values(
                    array_filter($of->contributors, fn(array $who): bool => $who['role'] !== 'narrator'),
                ),
                extent: $of->extent,
                subtitle: $of->subtitle,
                language: $of->language,
                audience: $of->audience,
                description: $of->description,
                publisher: $of->publisher,
                published: $of->published,
                subjects: $of->subjects,
                series: $of->series,
                seriesPosition: $of->seriesPosition,
                ages: $of->ages,
                holdings: [
                    new Holding(self::PLACES[$library], $call, $copies, $library === 'larkspur-ferry' ? $numbers : []),
                ],
            ),
        );
    }

    private function put(string $library, Record $record): void
    {
        $title = ($this->saveRecord)($record, $this->coast->now->modify('-400 days'));
        $this->keep->asRecordsSay($this->coast->libraries[$library]->id, [$title->id => $record], $this->coast->now);
    }

    private static function sorted(string $name): string
    {
        $at = (int) strrpos($name, ' ');

        return substr($name, $at + 1) . ', ' . substr($name, 0, $at);
    }
}
