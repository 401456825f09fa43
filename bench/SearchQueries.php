<?php

declare(strict_types=1);

namespace Bench;

use Illuminate\Support\Facades\DB;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use stdClass;

/**
 * The stated mix of queries, drawn from the catalogue itself with a fixed seed: as the application's query strings and
 * as the peer's.
 */
final class SearchQueries
{
    public const EACH = 20;

    private Randomizer $random;

    /** @var array<string, int> titles by word, estimated from a sample */
    private array $frequency = [];

    public function __construct(private readonly int $libraryId, private readonly int $titles)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(5));
        $every = max(1, intdiv($titles, 20_000));
        foreach (
            DB::select(
                "select word, ndoc
                    from ts_stat('select exact from search_rows where title_id % {$every} =
                    0') where word ~ '^[a-z]{3,}$' order by word",
            )
            as $row
        ) {
            $this->frequency[$row->word] = $row->ndoc * $every;
        }
    }

    /** @return list<array{class: string, asked: array<string, string>, peer: string}> */
    public function mix(): array
    {
        $all = [];
        foreach ($this->classes() as $class => $make) {
            for ($n = 0; $n < self::EACH; $n++) {
                [$asked, $match, $where] = $make($n);
                $all[] = ['class' => $class, 'asked' => $asked, 'peer' => self::peer($match, $where)];
            }
        }

        return $this->random->shuffleArray($all);
    }

    /**
     * @return array<string, callable(int): array{array<string, string>, string, list<string>}> query string, the peer's
     *     words, the peer's filters
     */
    private function classes(): array
    {
        $share = fn(float $of): int => (int) ($of * $this->titles);
        $rare = $this->band(2, max(20, $share(0.0002)));
        $middling = $this->band($share(0.001), $share(0.01));
        $wide = $this->band($share(0.01), $share(0.06));
        $common = $this->band($share(0.05), $share(0.15));
        $veryCommon = $this->band($share(0.12), $share(1.0));
        $texts = array_column(
            DB::select(
                'select t.description from titles t join search_rows s on s.title_id = t.id
                    where ? = any(s.held) and t.language = ? order by md5(t.id::text) limit ?',
                [$this->libraryId, 'en', self::EACH],
            ),
            'description',
        );
        $people = DB::select(
            'select c.name, ct.role from contributor_title ct join contributors c on c.id = ct.contributor_id
                join search_rows s on s.title_id = ct.title_id where ? = any(s.held)
                order by md5(ct.title_id::text || ct.role) limit 400',
            [$this->libraryId],
        );
        $ofRole = fn(string $role): array => array_values(
            array_filter($people, fn(stdClass $p): bool => $p->role === $role),
        );
        $series = DB::select(
            'select x.name from search_rows s join series x on x.id = s.series_id where ? = any(s.held)
                order by md5(s.title_id::text) limit ?',
            [$this->libraryId, self::EACH],
        );
        $subjects = array_column(
            DB::select('select subject_id, count(*) n from subject_title group by 1 order by n desc limit 100'),
            'subject_id',
        );
        $pick = fn(array $from): mixed => $from[$this->random->getInt(0, max(0, count($from) - 1))];
        $formats = ['ebook', 'audiobook', 'magazine', 'music', 'video'];
        $format = fn(string $f): string => 'fmt=' . array_search($f, $formats, true);
        $pair = function (int $n) use ($texts): string {
            $words = explode(' ', (string) ($texts[$n % max(1, count($texts))] ?? 'sea light'));

            return implode(' ', array_slice($words, 8, 2));
        };

        return [
            'rare word' => fn(int $n): array => [['q' => ($w = $pick($rare))], $w, []],
            'middling word' => fn(int $n): array => [['q' => ($w = $pick($middling))], $w, []],
            'common word' => fn(int $n): array => [['q' => ($w = $pick($common))], $w, []],
            'very common word' => fn(int $n): array => [['q' => ($w = $pick($veryCommon))], $w, []],
            'two words' => fn(int $n): array => [['q' => ($w = $pick($wide) . ' ' . $pick($common))], $w, []],
            'phrase' => fn(int $n): array => [['q' => ($w = '"' . $pair($n) . '"')], $w, []],
            'phrase of common words' => fn(int $n): array => [
                ['q' => ($w = '"' . $pick($common) . ' ' . $pick($common) . '"')],
                $w,
                [],
            ],
            'beginning of a word' => fn(int $n): array => [
                ['q' => ($w = substr($pick($middling), 0, 4) . '*')],
                $w,
                [],
            ],
            'author:' => fn(int $n): array => [
                ['q' => 'author:"' . ($name = $pick($ofRole('author'))->name) . '"'],
                "@people {$name}",
                [],
            ],
            'narrator:' => fn(int $n): array => [
                ['q' => 'narrator:"' . ($name = $pick($ofRole('narrator'))->name) . '"'],
                "@people {$name}",
                [],
            ],
            'series:' => fn(int $n): array => [
                ['q' => 'series:"' . ($name = $pick($series)->name) . '"'],
                "@series {$name}",
                [],
            ],
            'OR' => fn(int $n): array => [
                ['q' => ($a = $pick($middling)) . ' OR ' . ($b = $pick($wide))],
                "{$a} | {$b}",
                [],
            ],
            'NOT' => fn(int $n): array => [['q' => ($a = $pick($wide)) . ' -' . ($b = $pick($wide))], "{$a} -{$b}", []],
            'browse all' => fn(int $n): array => [[], '', []],
            'one facet' => fn(int $n): array => [['format' => ($f = $formats[$n % 5])], '', [$format($f)]],
            'two facets' => fn(int $n): array => [
                ['format' => ($f = $formats[$n % 5]), 'language' => ($l = ['en', 'es', 'fr'][$n % 3])],
                '',
                [$format($f), "lang='{$l}'"],
            ],
            'subject' => fn(int $n): array => [['subjects' => (string) ($s = $pick($subjects))], '', ["subj={$s}"]],
            'common word + facet' => fn(int $n): array => [
                ['q' => ($w = $pick($common)), 'format' => ($f = $formats[$n % 2])],
                $w,
                [$format($f)],
            ],
            'common word + ready now' => fn(int $n): array => [
                ['q' => ($w = $pick($common)), 'ready' => '1'],
                $w,
                ['ready=1'],
            ],
        ];
    }

    /** @return non-empty-list<string> words that so many titles have */
    private function band(int $from, int $to): array
    {
        $words = array_map(
            strval(...),
            array_keys(array_filter($this->frequency, fn(int $n): bool => $n >= $from && $n <= $to)),
        );

        return $words === [] ? ['sea'] : $words;
    }

    /** @param  list<string>  $where */
    private static function peer(string $match, array $where): string
    {
        $all = [...$match === '' ? [] : ["match('" . addslashes($match) . "')"], ...$where];

        return 'select id, weight() wt from titles' .
            ($all === [] ? '' : ' where ' . implode(' and ', $all)) .
            ' order by ' .
            ($match === '' ? 'added desc' : 'wt desc, pop desc') .
            ' limit 24 option field_weights=(title=10,people=10,series=3,descr=1)' .
            implode(
                '',
                array_map(fn(string $facet): string => " facet {$facet} order by count(*) desc limit 500", [
                    'fmt',
                    'subj',
                    'aud',
                    'lang',
                    'year',
                    'lvl',
                    'ready',
                    'always',
                    'award',
                    'sid',
                ]),
            );
    }
}
