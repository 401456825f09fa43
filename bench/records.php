<?php

declare(strict_types=1);

/* A file of 100,000 MARC records looked at, taken in, and taken in once more; beside yaz-marcdump alone. */

use App\Exchange\Records\CompareRecords;
use App\Exchange\Records\ImportRecords;
use App\Lending\Licences\LicenceTerms;
use App\Models\Library;
use Bench\Report;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Holding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Exchange\Marc\Iso2709;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use Illuminate\Contracts\Console\Kernel;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const WORDS = [
    'low',
    'water',
    'lamp',
    'reef',
    'tide',
    'gull',
    'harbour',
    'island',
    'song',
    'winter',
    'quiet',
    'bell',
    'stone',
    'river',
    'garden',
    'letter',
    'storm',
    'map',
    'heron',
    'net',
    'anchor',
    'mast',
    'orchard',
    'window',
];

/** A file of invented records, with people, subjects and series as many titles share them. */
function file_of(int $many, Format $format, string $kind): string
{
    $random = new Randomizer(new Mt19937(crc32($kind)));
    $words = fn(int $n): string => implode(
        ' ',
        array_map(fn(): string => WORDS[$random->getInt(0, count(WORDS) - 1)], range(1, $n)),
    );
    $path = (string) tempnam(sys_get_temp_dir(), 'bench-records');
    $file = fopen($path, 'w') ?: throw new RuntimeException('There is no room for the file.');
    for ($n = 1; $n <= $many; $n++) {
        $person = $random->getInt(1, max(1, intdiv($many * 2, 5)));
        $record = new Record(
            key: "bench:{$kind}:{$n}",
            format: $format,
            name: ucfirst($words(4)) . " {$n}",
            contributors: [['name' => "Person {$person} Oro", 'sort' => "Oro, Person {$person}", 'role' => 'author']],
            extent: $random->getInt(50, 600),
            language: 'en',
            description: $words(60),
            publisher: 'House ' . $random->getInt(1, 3000),
            published: (string) $random->getInt(1950, 2026),
            identifiers: ["urn:bench:{$kind}:{$n}"],
            subjects: ['Subject ' . $random->getInt(1, 2000), 'Subject ' . $random->getInt(2001, 4000)],
            series: $n % 4 === 0 ? 'Series ' . $random->getInt(1, max(1, intdiv($many, 20))) : null,
            holdings: $format === Format::Paper ? [new Holding('Upstairs', "{$n} ORO", 1, ["3100{$n}"])] : [],
        );
        $marc = MarcOfRecord::of($record, (string) $n, null, new DateTimeImmutable('2026-05-01'));
        fwrite($file, Iso2709::write($marc));
    }
    fclose($file);

    return $path;
}

$many = max(1000, (int) (100_000 * (float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1)));
$library = Library::query()->where('slug', 'saltmere')->firstOrFail();
$file = file_of($many, Format::Ebook, 'ebook');
$began = hrtime(true);
exec('yaz-marcdump -i marc -o marcxml ' . escapeshellarg($file) . ' > /dev/null', $lines, $status);
$status === 0 || throw new RuntimeException('yaz-marcdump does not read the file.');
$floor = (hrtime(true) - $began) / 1e9;
Report::head(
    'Records',
    sprintf(
        '%s MARC records in ISO 2709 (%d MB), of a catalogue with %s titles before; each run once. ' .
            'Floor: yaz-marcdump ' .
            'alone makes MARCXML of the file. Marks: 100,000 in 300 s and 300 MB.',
        number_format($many),
        filesize($file) >> 20,
        number_format(App\Models\Title::query()->count()),
    ),
);
$compare = $app->make(CompareRecords::class);
$import = $app->make(ImportRecords::class);
$terms = LicenceTerms::parse('one_copy_one_user:copies=1');
[$part, $paper] = [intdiv($many, 5), file_of(intdiv($many, 5), Format::Paper, 'paper')];
$licensed = file_of($part, Format::Ebook, 'licensed');
$runs = [
    'looked at' => [$many, fn(): Generator => $compare($file, $library)],
    'taken in' => [$many, fn(): Generator => $import($file, $library, null, true)],
    'once more, nothing is changed' => [$many, fn(): Generator => $import($file, $library, null, true)],
    'on paper, with a shelf each' => [$part, fn(): Generator => $import($paper, $library, null, true)],
    'with a licence each' => [$part, fn(): Generator => $import($licensed, $library, $terms, true)],
];
$rows = [
    ['yaz-marcdump alone', number_format($many), sprintf('%.1f s', $floor), number_format($many / $floor), '1', '', ''],
];
foreach ($runs as $what => [$records, $run]) {
    gc_collect_cycles();
    memory_reset_peak_usage();
    $began = hrtime(true);
    $outcomes = [];
    foreach ($run() as $of) {
        $outcomes[$of->outcome] = ($outcomes[$of->outcome] ?? 0) + 1;
    }
    $seconds = (hrtime(true) - $began) / 1e9;
    $rows[] = [
        $what,
        number_format($records),
        sprintf('%.1f s', $seconds),
        number_format($records / $seconds),
        sprintf('%.0f', $seconds / (($floor * $records) / $many)),
        sprintf('%d MB', memory_get_peak_usage(true) >> 20),
        implode(
            ', ',
            array_map(fn(string $of, int $n): string => number_format($n) . " {$of}", array_keys($outcomes), $outcomes),
        ),
    ];
}
Report::table(['run', 'records', 'time', 'a second', 'times the floor', 'memory', 'outcomes'], $rows);
array_map(unlink(...), [$file, $paper, $licensed]);
