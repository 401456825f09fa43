<?php

declare(strict_types=1);

/* Opening a book: from the click to readable text, and how much is sent until then, for a book of 5 MB in 300 files. */

use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Licences\LicenceTerms;
use App\Models\Card;
use App\Models\Library;
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

const OPENED = 11;
const CHAPTERS = 20;
const PICTURES_IN_EACH = 14;

$random = new Randomizer(new Xoshiro256StarStar(11));
$pictures = $chapters = [];
for ($c = 1; $c <= CHAPTERS; $c++) {
    $html = "<h1>Chart {$c}</h1>";
    for ($p = 1; $p <= PICTURES_IN_EACH; $p++) {
        $path = '';
        for ($i = 0; $i < 2100; $i++) {
            $path .= ($i === 0 ? 'M' : 'L') . $random->getInt(0, 999) . ' ' . $random->getInt(0, 999);
        }
        $pictures["chart-{$c}-{$p}.svg"] =
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000">' .
            "<path d=\"{$path}\" fill=\"none\" stroke=\"#1f4b56\"/></svg>";
        $html .=
            '<p>' .
            str_repeat("What the pilot saw at mark {$c}.{$p} he wrote down. ", 30) .
            "</p><p><img src=\"art/chart-{$c}-{$p}.svg\" alt=\"Chart {$c}.{$p}\"/></p>";
    }
    $chapters[] = ['title' => "Chart {$c}", 'html' => $html];
}
$book = new Book(
    title: 'Charts of the Sound',
    creators: [['name' => 'Gil Strand', 'sort' => 'Strand, Gil', 'role' => 'aut']],
    isbn: DemoEbooks::isbn(960),
    chapters: $chapters,
    description: 'Charts.',
    publisher: 'Saltmere Harbour Office',
    published: '2020',
    subjects: ['Navigation'],
    pictures: $pictures,
);
$file = tempnam(sys_get_temp_dir(), 'charts') . '.epub';
(new EpubBuilder())->write($book, $file);
$card = Members::CARDS[0];
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
$publication = $title->publication ?? throw new RuntimeException('The book was not taken in.');
$whole = array_sum($publication->sizes);

[$measured, $stolen] = Report::undisturbed(function () use ($card, $book): array {
    $process = new Process(
        [
            'node',
            'bench/opening.mjs',
            config('app.url'),
            $card['number'],
            $card['pin'],
            $card['library'],
            $book->title,
            (string) OPENED,
        ],
        base_path(),
        ['HOME' => sys_get_temp_dir()],
        timeout: 300,
    );

    return json_decode($process->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
});
$of = fn(string $what): array => array_column($measured, $what);

Report::head(
    'Opening a book',
    sprintf(
        'An EPUB of %.1f MB unpacked in %d files, %d times in Chromium, each time without anything in its cache; ' .
            'from the click on "Read" under Loans to text in the page. Mark: 1 s at the median. Stolen: %.0f%%.',
        $whole / 1e6,
        count($publication->sizes),
        OPENED,
        $stolen * 100,
    ),
);
Report::table(
    ['', 'median', 'p95', 'mark'],
    [
        [
            'click to text, ms',
            sprintf('%.0f', Report::percentile($of('ms'), 0.5)),
            sprintf('%.0f', Report::percentile($of('ms'), 0.95)),
            Report::percentile($of('ms'), 0.5) <= 1000 ? 'within' : 'beyond',
        ],
        [
            'sent until then, kB',
            sprintf('%.0f', Report::percentile($of('bytes'), 0.5) / 1000),
            sprintf('%.0f', Report::percentile($of('bytes'), 0.95) / 1000),
            sprintf('%.1f%% of the book', (100 * Report::percentile($of('bytes'), 0.5)) / $whole),
        ],
        [
            'requests',
            sprintf('%.0f', Report::percentile($of('requests'), 0.5)),
            sprintf('%.0f', Report::percentile($of('requests'), 0.95)),
            '',
        ],
    ],
);
unlink($file);
