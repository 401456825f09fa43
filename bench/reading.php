<?php

declare(strict_types=1);

/*
 * Reading what is very long: a chapter of 10 MB, a book of 5,000 chapters, and a PDF of 2,415 pages (R's reference
 * manual, Debian's r-doc-pdf).
 */

use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Licences\LicenceTerms;
use App\Models\Card;
use App\Models\Library;
use App\Models\Place;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use Bench\Report;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\EpubBuilder;
use FigPorch\Demo\Members;
use Illuminate\Contracts\Console\Kernel;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Symfony\Component\Process\Process;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const BYTES = 10_000_000;
const CHAPTERS = 5000;
const MANUAL = '/usr/share/R/doc/manual/fullrefman.pdf';
const WORDS = [
    'pilot',
    'mark',
    'sounding',
    'lantern',
    'harbour',
    'tide',
    'rope',
    'window',
    'bell',
    'quarry',
    'ebb',
    'keeper',
];

$random = new Randomizer(new Xoshiro256StarStar(21));
$paragraph = function () use ($random): string {
    $words = array_map(fn(): string => WORDS[$random->getInt(0, count(WORDS) - 1)], range(1, 110));

    return '<p>' . implode(' ', $words) . '.</p>';
};
$html = '<h1>The whole coast</h1>';
while (strlen($html) < BYTES) {
    $html .= $paragraph();
}
$count = str_word_count(strip_tags(str_replace('<', ' <', $html)));
$write = function (string $title, int $number, array $chapters): string {
    $file = tempnam(sys_get_temp_dir(), 'coast') . '.epub';
    (new EpubBuilder())->write(
        new Book(
            title: $title,
            creators: [['name' => 'Gil Strand', 'sort' => 'Strand, Gil', 'role' => 'aut']],
            isbn: DemoEbooks::isbn($number),
            chapters: array_values($chapters),
            description: 'A coast.',
            publisher: 'Saltmere Harbour Office',
            published: '2020',
            subjects: ['Navigation'],
        ),
        $file,
    );

    return $file;
};
$file = $write('The Coast in One Chapter', 961, [
    ['title' => 'Before', 'html' => '<h1>Before</h1><p>What follows is long.</p>'],
    ['title' => 'The whole coast', 'html' => $html],
]);
$pieces = $write(
    'The Coast in Pieces',
    962,
    array_map(
        fn(int $n): array => ['title' => "Piece {$n}", 'html' => "<h1>Piece {$n}</h1>" . $paragraph() . $paragraph()],
        range(1, CHAPTERS),
    ),
);
$card = Members::CARDS[0];
$lend = function (string $file) use ($card): Title {
    $title = app(ImportPublication::class)(
        $file,
        Library::query()->where('slug', $card['library'])->firstOrFail(),
        new LicenceTerms(LicenceModel::Simultaneous),
        CarbonImmutable::now(),
    )['title'];
    app(BorrowTitle::class)(
        Card::query()->where('number', $card['number'])->valueOrFail('id'),
        $title->id,
        null,
        CarbonImmutable::now(),
    );

    return $title;
};
$long = $lend($file);
$inPieces = $lend($pieces);
$from = hrtime(true);
$manual = $lend(MANUAL);
$import = (hrtime(true) - $from) / 1e9;

[$measured, $stolen] = Report::undisturbed(function () use ($card, $long, $inPieces, $manual): array {
    // Each time from the beginning.
    Place::query()
        ->whereIn('title_id', [$long->id, $inPieces->id, $manual->id])
        ->delete();
    $process = new Process(
        [
            'node',
            'bench/reading.mjs',
            config('app.url'),
            $card['number'],
            $card['pin'],
            $card['library'],
            $long->name,
            $inPieces->name,
            $manual->name,
            'zebra',
            'keeper keeper keeper',
        ],
        base_path(),
        ['HOME' => sys_get_temp_dir()],
        timeout: 400,
    );

    return json_decode($process->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
});
['words' => $words, 'pieces' => $inParts, 'pictures' => $pictures] = $measured;
$row = fn(string $what, float $value, float $mark, string $unit): array => [
    $what,
    sprintf('%.0f %s', $value, $unit),
    sprintf('%.0f %s', $mark, $unit),
    $value <= $mark ? 'within' : 'beyond',
];

Report::head(
    'Reading what is very long',
    sprintf(
        'A book with a chapter of %.1f MB, %s words; a PDF of %s pages. In Chromium, 1280×800. Stolen: %.0f%%.',
        strlen($html) / 1e6,
        number_format($count),
        number_format($manual->extent),
        $stolen * 100,
    ),
);
Report::table(
    ['', 'measured', 'mark', ''],
    [
        ['the book opens', sprintf('%.0f ms', $words['opening']), '', ''],
        ['into its long chapter, first time', sprintf('%.0f ms', $words['into']), '', ''],
        $row('a turn there, median', Report::percentile($words['turns'], 0.5), 50, 'ms'),
        $row('a turn there, p95', Report::percentile($words['turns'], 0.95), 100, 'ms'),
        $row('find what is not in it', $words['rare'], 3000, 'ms'),
        $row('find what is in it often', $words['common'], 3000, 'ms'),
        [
            sprintf('a book of %s chapters opens', number_format(CHAPTERS)),
            sprintf('%.0f ms', $inParts['opening']),
            '',
            '',
        ],
        $row('find what is not in it', $inParts['rare'], 3000, 'ms'),
        $row('find what is in it often', $inParts['common'], 3000, 'ms'),
        $row('the PDF is taken in', $import, 20, 's'),
        $row('the PDF opens, median of 7', Report::percentile($pictures['openings'], 0.5), 2000, 'ms'),
        $row('a turn there, median', Report::percentile($pictures['turns'], 0.5), 150, 'ms'),
        $row('memory of the tab after 100 pages', $pictures['memory'], 300, 'MB'),
    ],
);
unlink($file);
unlink($pieces);
