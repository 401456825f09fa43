<?php

declare(strict_types=1);

namespace Bench;

use Illuminate\Support\Facades\DB;
use RuntimeException;

/** Whole pages of a large catalogue, as a visitor gets them: time to the first byte through nginx, one client. */
final readonly class PagesAtSize
{
    private const WORDS = ['rare word', 'middling word', 'common word', 'very common word', 'two words'];

    /** Of one page, so often. */
    private const TIMES = 20;

    private PageTimes $pages;

    public function __construct(string $base, private string $library)
    {
        $this->pages = new PageTimes($base, 1, 1, [40.0, 70.0]);
    }

    /** @param  list<array{class: string, asked: array<string, string>, peer: string}>  $queries */
    public function table(array $queries): void
    {
        $words = array_filter($queries, fn(array $of): bool => in_array($of['class'], self::WORDS, true));
        $rows = [$this->row('words by lot', array_map(fn(array $of): string => $this->searched($of['asked']), $words))];
        $inSeries = DB::scalar('select max(id) from titles where series_id is not null');
        foreach (
            [
                'front door' => '/?',
                'rooms' => '/rooms?',
                'children’s room' => '/rooms/children?',
                'all titles, the soonest first' => '/catalogue?order=soonest&',
                'a title of a series' => "/titles/{$inSeries}?",
                'others like it' => "/titles/{$inSeries}/alike?",
                'all subjects' => '/catalogue/choose/subjects?',
                'all publishers' => '/catalogue/choose/publisher?',
                'all authors' => '/catalogue/choose/authors?',
                'subjects, for applications' => "/opds/2/{$this->library}/subjects?",
                'site map' => '/sitemap.xml?',
            ]
            as $name => $path
        ) {
            $rows[] = $this->row($name, array_fill(0, self::TIMES, "{$path}library={$this->library}"));
        }
        Report::table(['whole page over HTTP', 'p50 ms', 'p95 ms', 'mark for words: 40 / 70'], $rows);
    }

    /** @param  array<string, string>  $asked */
    private function searched(array $asked): string
    {
        return '/catalogue?' . http_build_query(['library' => $this->library, ...$asked]);
    }

    /**
     * @param  array<string>  $addresses
     * @return list<string>
     */
    private function row(string $name, array $addresses): array
    {
        $times = [];
        foreach ([false, true] as $isMeasured) {
            foreach (array_values($addresses) as $n => $address) {
                // Each from an address of its own: one that searches so often is slowed down on purpose.
                $answer = $this->pages->get($address, [CURLOPT_INTERFACE => '127.0.0.' . (2 + ($n % 200))]);
                $answer['status'] === 200 || throw new RuntimeException("{$address} answered {$answer['status']}");
                $isMeasured && ($times[] = $answer['ms']);
            }
        }
        [$p50, $p95] = [Report::percentile($times, 0.5), Report::percentile($times, 0.95)];

        return [
            $name,
            sprintf('%.1f', $p50),
            sprintf('%.1f', $p95),
            $name !== 'words by lot' ? '' : ($p50 <= 40 && $p95 <= 70 ? 'within' : 'beyond'),
        ];
    }
}
