<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Shared\Sql;
use Closure;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use PDO;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use RuntimeException;

/**
 * Makes the catalogue large: invented records with the skew of real ones. Words, people, series, subjects and loans
 * follow Zipf's law;
 * the same number of titles makes the same records. Written with COPY, past triggers and indexes that are made good
 * afterwards.
 */
final class LargeCatalogue
{
    private const BATCH = 5000;

    private const VOCABULARY = 60_000;

    private const SUBJECTS = 400;

    /** Draws from a table of this many entries are fast; a power of two, so that bits choose. */
    private const DRAWS = 1 << 20;

    private const COMMON = [
        'the',
        'of',
        'and',
        'to',
        'a',
        'in',
        'his',
        'with',
        'her',
        'for',
        'from',
        'by',
        'is',
        'on',
        'as',
        'that',
        'an',
        'at',
        'when',
        'who',
        'sea',
        'island',
        'night',
        'light',
        'house',
        'water',
        'story',
        'life',
        'time',
        'love',
        'family',
        'world',
        'winter',
        'secret',
        'road',
        'last',
        'city',
        'stone',
        'garden',
        'letter',
    ];

    private const ONSETS = [
        'b',
        'br',
        'c',
        'ch',
        'cl',
        'd',
        'dr',
        'f',
        'fl',
        'g',
        'gr',
        'h',
        'j',
        'k',
        'l',
        'm',
        'n',
        'p',
        'pl',
        'qu',
        'r',
        's',
        'sh',
        'sk',
        'st',
        't',
        'tr',
        'v',
        'w',
        'th',
    ];

    private const NUCLEI = ['a', 'e', 'i', 'o', 'u', 'ai', 'ea', 'ou', 'oa', 'ie'];

    private const CODAS = ['', '', '', 'n', 'r', 'l', 'm', 't', 'nd', 'rk', 'st', 'ld', 'sh', 'ck', 'rn', 'mp'];

    private const LANGUAGES = [['en', 80], ['es', 10], ['pt', 3], ['fr', 3], ['de', 2], ['ar', 1], ['ja', 1]];

    private const FORMATS = [['ebook', 58], ['audiobook', 22], ['magazine', 5], ['music', 8], ['video', 7]];

    private const AUDIENCES = [['adult', 66], ['child', 19], ['teen', 15]];

    private Randomizer $random;

    /** @var list<string> the commonest first */
    private array $words = [];

    /** @var array<int, string> by number */
    private array $subjectNames = [];

    private PDO $pdo;

    /** @param  Closure(string): void  $say */
    public function __invoke(int $titles, DateTimeImmutable $now, Closure $say): void
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(26));
        $this->pdo = DB::getPdo();
        $this->words = $this->vocabulary();
        DB::unprepared(
            'set session_replication_role = replica; drop index if exists search_rows_stems, search_rows_exact',
        );
        try {
            $first = $this->reserve('titles', $titles);
            $this->names(
                'contributors',
                max(100, intdiv($titles * 3, 10)),
                fn(string $a, string $b): array => [ucfirst($a) . ' ' . ucfirst($b), ucfirst($b) . ', ' . ucfirst($a)],
                ['name', 'sort_name'],
            );
            $this->names(
                'series',
                max(20, intdiv($titles * 6, 100)),
                fn(string $a, string $b): array => [ucfirst($a) . ' ' . ucfirst($b) . ' Cycle'],
                ['name'],
            );
            $this->names('subjects', self::SUBJECTS, fn(string $a, string $b): array => [ucfirst($a) . ' and ' . $b], [
                'name',
            ]);
            $say('names of people, series and subjects');
            $this->records($first, $titles, $now, $say);
            $this->makeFindable($first, $first + $titles - 1, $say);
        } finally {
            DB::unprepared(
                "set session_replication_role = origin;
                    set maintenance_work_mem = '1GB'; create index if not exists search_rows_stems on search_rows
                    using gin (stems) with (fastupdate = off); create index if not exists search_rows_exact on
                    search_rows using gin (exact) with (fastupdate = off); reset maintenance_work_mem",
            );
        }
        DB::statement('vacuum analyze');
        $say('indexes');
    }

    /**
     * @return int the first of so many numbers in a row that nobody else is given: changing the sequence keeps others
     *     from it until it is done
     */
    private function reserve(string $table, int $count): int
    {
        $sequence = DB::scalar('select pg_get_serial_sequence(?, ?)', [$table, 'id']);

        return DB::transaction(function () use ($sequence, $count): int {
            // A sequence that was never asked gives its first number, whatever its step.
            DB::scalar('select nextval(?)', [$sequence]);
            DB::statement("alter sequence {$sequence} increment by {$count}");
            $last = DB::scalar('select nextval(?)', [$sequence]);
            DB::statement("alter sequence {$sequence} increment by 1");

            return $last - $count + 1;
        });
    }

    /** @return list<string> */
    private function vocabulary(): array
    {
        $words = array_fill_keys(self::COMMON, true);
        $pick = fn(array $from): string => $from[$this->random->getInt(0, count($from) - 1)];
        while (count($words) < self::VOCABULARY) {
            $word = '';
            for ($syllables = $this->random->getInt(1, 3); $syllables >= 0; $syllables--) {
                $word .= $pick(self::ONSETS) . $pick(self::NUCLEI) . $pick(self::CODAS);
            }
            $words[$word] = true;
        }

        return array_map(strval(...), array_keys($words));
    }

    /**
     * Numbers from 0 up to a most, the low ones more often.
     *
     * @return Closure(int): list<int> so many at once
     */
    private function zipf(int $most, float $exponent): Closure
    {
        $weights = array_map(fn(int $n): float => 1 / ($n + 2.7) ** $exponent, range(1, $most));
        $sum = array_sum($weights);
        $table = [];
        $through = 0.0;
        foreach ($weights as $n => $weight) {
            $through += $weight / $sum;
            for ($until = (int) round($through * self::DRAWS); count($table) < $until; ) {
                $table[] = $n;
            }
        }
        $table = array_pad($table, self::DRAWS, $most - 1);

        // Rarer than a table can hold: the tail is spread over all that is left.
        return function (int $count) use ($table, $most): array {
            $drawn = [];
            foreach (unpack('V*', $this->random->getBytes(4 * max(1, $count))) ?: [] as $bits) {
                $n = $table[$bits & (self::DRAWS - 1)];
                $drawn[] = $n === $most - 1 ? ($bits >> 8) % $most : $n;
            }

            return $drawn;
        };
    }

    /**
     * @param  Closure(string, string): list<string>  $make  the columns, from two words
     * @param  list<string>  $columns  the name first
     */
    private function names(string $table, int $count, Closure $make, array $columns): void
    {
        $known = array_fill_keys(DB::table($table)->pluck('name')->all(), true);
        $rows = [];
        $id = $this->reserve($table, $count);
        while (count($rows) < $count) {
            $values = $make(
                $this->words[$this->random->getInt(200, self::VOCABULARY - 1)],
                $this->words[$this->random->getInt(200, self::VOCABULARY - 1)],
            );
            if (!isset($known[$values[0]])) {
                $known[$values[0]] = true;
                $rows[] = implode("\t", [$id++, ...$values]);
            }
        }
        $this->copy($table, ['id', ...$columns], $rows);
        DB::update(
            "update {$table} set words = to_tsvector('fig_exact', lower(name)) || to_tsvector('fig_en',
                lower(name)) || to_tsvector('fig_es', lower(name)) where words is null",
        );
    }

    /** @param  Closure(string): void  $say */
    private function records(int $first, int $count, DateTimeImmutable $now, Closure $say): void
    {
        DB::unprepared(
            'drop table if exists grown; create unlogged table grown (title_id bigint, language text, a text, b text,
                c text, d text)',
        );
        $word = $this->zipf(self::VOCABULARY, 1.0);
        $person = $this->ranked('contributors', 0.6);
        $narrator = $this->ranked('contributors', 0.9);
        $series = $this->ranked('series', 0.6);
        $subject = $this->ranked('subjects', 0.8);
        $topic = $this->zipf(150, 0.9);
        $topics = array_map(
            fn(): array => array_map(fn(): int => $this->random->getInt(200, 20_000), range(1, 150)),
            range(1, self::SUBJECTS),
        );
        $libraries = DB::table('libraries')->orderByRaw("slug = 'saltmere' desc, id")->pluck('id')->all();
        $licence = $this->reserve('licences', $count * count($libraries));
        $work = $this->reserve('works', $count);
        for ($done = 0; $done < $count; $done += self::BATCH) {
            $rows = [
                'works' => [],
                'titles' => [],
                'contributor_title' => [],
                'subject_title' => [],
                'licences' => [],
                'grown' => [],
            ];
            for ($n = 0; $n < min(self::BATCH, $count - $done); $n++) {
                $id = $first + $done + $n;
                $name = ucwords(
                    implode(' ', array_map(fn(int $w): string => $this->words[$w], $word($this->random->getInt(2, 7)))),
                );
                [$format, $audience, $language] = [
                    $this->weighted(self::FORMATS),
                    $this->weighted(self::AUDIENCES),
                    $this->weighted(self::LANGUAGES),
                ];
                $about = array_values(array_unique(array_column($subject(3), 0)));
                $subjects = array_combine($about, array_map(fn(int $s): string => $this->subjectNames[$s], $about));
                $text = $word($this->random->getInt(60, 100));
                foreach ($topic(intdiv(count($text), 5)) as $k => $t) {
                    $text[$k * 5] = $topics[$about[$k % count($about)] % self::SUBJECTS][$t];
                }
                $text = implode(' ', array_map(fn(int $w): string => $this->words[$w], $text));
                $people = [[...$person(1)[0], 'author']];
                if ($this->random->getInt(1, 100) <= 15) {
                    $people[] = [...$person(1)[0], 'author'];
                }
                if ($format === 'audiobook') {
                    $people[] = [...$narrator(1)[0], 'narrator'];
                }
                $in = $this->random->getInt(1, 4) === 1 ? $series(1)[0] : null;
                $year = 2026 - min(126, (int) (-14 * log($this->random->getInt(1, 10_000) / 10_000)));
                $level = $audience === 'adult' ? '\N' : sprintf('%.1f', $this->random->getInt(10, 130) / 10);
                $borrowed = min(
                    2_000_000,
                    (int) (10 * (($this->random->getInt(1, 1_000_000) / 1_000_000) ** (-1 / 0.9) - 1)),
                );
                $awards = $this->random->getInt(1, 100) <= 3 ? ['Prize ' . $this->random->getInt(1, 29)] : [];
                $publisher = self::publisher($id);
                $added = Sql::second($now->modify('-' . $this->random->getInt(0, 5_000_000) . ' minutes'));
                $fiction = ['t', 'f', '\N'][$this->random->getInt(0, 2)];
                $rows['works'][] = implode("\t", [$work, $name, "grown {$work}"]);
                $rows['titles'][] = implode("\t", [
                    $id,
                    $work++,
                    "grown:{$id}",
                    $format,
                    $name,
                    $language,
                    $audience,
                    $text,
                    (string) $year,
                    $in[0] ?? '\N',
                    $in === null ? '\N' : $this->random->getInt(1, 12),
                    $this->random->getInt(60, 30_000),
                    $borrowed,
                    $added,
                    $level,
                    json_encode($awards),
                    $fiction,
                    $publisher ?? '\N',
                ]);
                foreach ($people as $k => [$p, , $role]) {
                    $rows['contributor_title']["{$id} {$p} {$role}"] = implode("\t", [$id, $p, $role, $k]);
                }
                foreach ($about as $s) {
                    $rows['subject_title'][] = "{$id}\t{$s}";
                }
                $rows['grown'][] = implode("\t", [
                    $id,
                    $language,
                    strtolower($name) . ' 0apart0',
                    strtolower(implode(' 0apart0 ', array_column($people, 1))) . ' 0apart0',
                    strtolower(implode(' 0apart0 ', [$in[1] ?? '', (string) $publisher, ...$awards, ...$subjects])) .
                    ' 0apart0',
                    $text,
                ]);
                foreach ($libraries as $k => $library) {
                    if ($this->random->getInt(1, 100) <= ($k === 0 ? 88 : 7)) {
                        $rows['licences'][] = $this->licence($licence++, $library, $id, $now);
                    }
                }
            }
            $this->copy('works', ['id', 'name', 'match_key'], $rows['works']);
            $this->copy(
                'titles',
                [
                    'id',
                    'work_id',
                    'record_key',
                    'format',
                    'name',
                    'language',
                    'audience',
                    'description',
                    'published',
                    'series_id',
                    'series_position',
                    'extent',
                    'times_borrowed',
                    'added_at',
                    'level',
                    'awards',
                    'fiction',
                    'publisher',
                ],
                $rows['titles'],
            );
            $this->copy(
                'contributor_title',
                ['title_id', 'contributor_id', 'role', 'position'],
                array_values($rows['contributor_title']),
            );
            $this->copy('subject_title', ['title_id', 'subject_id'], $rows['subject_title']);
            $this->copy(
                'licences',
                [
                    'id',
                    'library_id',
                    'title_id',
                    'model',
                    'copies',
                    'copies_free',
                    'loans_bought',
                    'loans_left',
                    'starts_at',
                    'ends_at',
                    'price_cents',
                    'shared',
                    // These have no files: what is measured is finding them, and most that are found are to be had.
                    'file_came_at',
                ],
                $rows['licences'],
            );
            $this->copy('grown', ['title_id', 'language', 'a', 'b', 'c', 'd'], $rows['grown']);
            if (($done / self::BATCH) % 20 === 19) {
                $say(number_format($done + self::BATCH) . ' records');
            }
        }
    }

    /** Some publishers have many titles, and most have few; always the same for a title, without the random numbers. */
    private static function publisher(int $title): ?string
    {
        $random = crc32("publisher {$title}") / 2 ** 32;

        return $random > 0.9 ? null : 'House' . (int) (4000 * $random ** 4);
    }

    /** @param  Closure(string): void  $say */
    private function makeFindable(int $first, int $last, Closure $say): void
    {
        // No trigger notes what comes in: nothing gathered before is true of it.
        DB::table('search_gatherings')->delete();
        DB::statement(
            "insert into search_words (word, titles) select word, count(*)
                from (select unnest(string_to_array(a, ' ')) as word from grown
                union all select unnest(string_to_array(b, ' ')) from grown) x
                where length(word) between 4 and 40 and word <> '0apart0' group by word on conflict (word) do update
                set titles = search_words.titles + excluded.titles",
        );
        // A table made by a question is made by all processors.
        DB::unprepared('drop table if exists grown_words; analyze grown; set max_parallel_workers_per_gather = 4;
            set parallel_setup_cost = 0; set parallel_tuple_cost = 0; set min_parallel_table_scan_size = 0;
            create unlogged table grown_words as select title_id, search_stems(language, a, b, c, d) stems,
                search_exact(a, b, c, d) exact from grown;
            reset max_parallel_workers_per_gather; reset parallel_setup_cost; reset parallel_tuple_cost; reset
                min_parallel_table_scan_size; create index on grown_words (title_id)');
        $say('words');
        for ($from = $first; $from <= $last; $from += 100_000) {
            DB::insert(
                "insert into search_rows (title_id, format, audience, language, year, level, series_id,
                    times_borrowed, added_at, fiction, age_from, age_to, publisher, awards, subjects, stems, exact)
                    select t.id, t.format, t.audience, t.language, left(t.published, 4)::int, t.level, t.series_id,
                        t.times_borrowed, t.added_at, t.fiction,
                        case t.audience when 'child' then 4 when 'teen' then 12 else 18 end, case t.audience
                            when 'child' then 12 when 'teen' then 17 else 99
                            end, t.publisher, array(select jsonb_array_elements_text(t.awards)),
                        array(select subject_id::int from subject_title st where st.title_id = t.id), g.stems, g.exact
                    from grown_words g join titles t on t.id = g.title_id where t.id between ? and ?",
                [$from, min($last, $from + 99_999)],
            );
            DB::statement(
                'update search_rows r set held = a.held, ready = a.ready, always = a.always, paid = a.paid,
                    sure_from = a.sure_from, sure_until = a.sure_until
                from search_availability((select array_agg(title_id) from search_rows
                    where title_id between ? and ?), now()) a where r.title_id = a.title_id',
                [$from, min($last, $from + 99_999)],
            );
            $say('findable up to title ' . number_format(min($last, $from + 99_999)));
        }
        DB::unprepared('drop table grown, grown_words');
    }

    /**
     * Draws rows of a table, the first ones more often.
     *
     * @return Closure(int): list<array{int, string}> number and name
     */
    private function ranked(string $table, float $exponent): Closure
    {
        $rows = DB::table($table)->orderByDesc('id')->pluck('name', 'id')->all();
        if ($table === 'subjects') {
            $this->subjectNames = $rows;
        }
        $ids = array_keys($rows);
        $draw = $this->zipf(count($ids), $exponent);

        return fn(int $count): array => array_map(fn(int $n): array => [$ids[$n], $rows[$ids[$n]]], $draw($count));
    }

    private function licence(int $id, int $library, int $title, DateTimeImmutable $now): string
    {
        $copies = 1 + (int) min(50, -2 * log($this->random->getInt(1, 10_000) / 10_000));
        $free = $this->random->getInt(1, 100) <= 70 ? max(1, $copies - $this->random->getInt(0, 2)) : 0;
        $ends = Sql::second($now->modify('+' . $this->random->getInt(3, 900) . ' days'));
        $starts = Sql::second($now->modify('-' . $this->random->getInt(10, 2000) . ' days'));

        return implode(
            "\t",
            match (
                $this->weighted([
                    ['one_copy_one_user', 60],
                    ['metered_by_time', 24],
                    ['metered_by_loans', 10],
                    ['simultaneous', 6],
                ])
            ) {
                'one_copy_one_user' => [
                    $id,
                    $library,
                    $title,
                    'one_copy_one_user',
                    $copies,
                    $free,
                    '\N',
                    '\N',
                    $starts,
                    '\N',
                    5000,
                    'f',
                    $starts,
                ],
                'metered_by_time' => [
                    $id,
                    $library,
                    $title,
                    'metered_by_time',
                    $copies,
                    $free,
                    '\N',
                    '\N',
                    $starts,
                    $ends,
                    3000,
                    'f',
                    $starts,
                ],
                'metered_by_loans' => [
                    $id,
                    $library,
                    $title,
                    'metered_by_loans',
                    $copies,
                    $free,
                    52,
                    $this->random->getInt(1, 52),
                    $starts,
                    '\N',
                    2500,
                    'f',
                    $starts,
                ],
                default => [
                    $id,
                    $library,
                    $title,
                    'simultaneous',
                    '\N',
                    '\N',
                    '\N',
                    '\N',
                    $starts,
                    '\N',
                    9000,
                    'f',
                    $starts,
                ],
            },
        );
    }

    /** @param  list<array{string, int}>  $of  value and its share of a hundred */
    private function weighted(array $of): string
    {
        $n = $this->random->getInt(1, 100);
        foreach ($of as [$value, $share]) {
            $n -= $share;
            if ($n <= 0) {
                return $value;
            }
        }

        return $of[0][0];
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $rows  as COPY reads them
     */
    private function copy(string $table, array $columns, array $rows): void
    {
        foreach (array_chunk($rows, self::BATCH * 4) as $chunk) {
            if (!$this->pdo->pgsqlCopyFromArray($table, $chunk, "\t", '\\\\N', implode(',', $columns))) {
                throw new RuntimeException("Rows of {$table} could not be written.");
            }
        }
    }
}
