<?php

declare(strict_types=1);

namespace Bench;

use Illuminate\Support\Facades\DB;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * Debian's sphinxsearch over the titles that a library holds, for comparison; it lives in a folder of its own and goes
 * again.
 */
final class Peer
{
    private const FORMATS = "array_position(array['ebook','audiobook','magazine','music','video'], s.format::text) - 1";

    public readonly int $port;

    private readonly string $home;

    public function __construct(private readonly int $libraryId)
    {
        $this->home = sys_get_temp_dir() . '/figporch-peer-' . getmypid();
        $this->port = 19300 + (getmypid() % 500);
    }

    public static function version(): string
    {
        return trim((string) shell_exec("dpkg-query -W -f '\${Version}' sphinxsearch 2> /dev/null"));
    }

    /** @return float seconds that indexing took */
    public function start(): float
    {
        is_dir($this->home) || mkdir($this->home, 0o755, true);
        $out = fopen("{$this->home}/titles.tsv", 'w') ?: throw new RuntimeException('No room for the peer’s titles.');
        DB::statement('set statement_timeout = 0');
        foreach (
            DB::getPdo()->pgsqlCopyToArray(
                '(' .
                    str_replace(
                        'LIBRARY',
                        (string) $this->libraryId,
                        "select t.id, t.name, coalesce(p.names, '') people, coalesce(x.name,
                            '') || ' ' || coalesce(u.names, '') series, coalesce(t.description, '') descr,
            " .
                            self::FORMATS .
                            " fmt, array_to_string(s.subjects, ',') subj,
                                array_position(array['child','teen','adult'], s.audience::text) aud,
                                coalesce(s.language, '') lang, coalesce(s.year, 0) as year, coalesce(floor(s.level),
                                0)::int lvl,
            (LIBRARY = any(s.ready))::int as ready, (LIBRARY = any(s.always))::int as always,
                (s.awards <> '{}')::int award, coalesce(s.series_id, 0) sid, s.times_borrowed pop, extract(epoch
                from s.added_at)::int added
            from search_rows s join titles t on t.id = s.title_id
            left join (select ct.title_id, string_agg(c.name, ' ') names from contributor_title ct
                join contributors c on c.id = ct.contributor_id group by 1) p on p.title_id = t.id
            left join (select st.title_id, string_agg(n.name, ' ') names from subject_title st
                join subjects n on n.id = st.subject_id group by 1) u on u.title_id = t.id left
                join series x on x.id = t.series_id where LIBRARY = any(s.held)",
                    ) .
                    ')',
                "\t",
                '',
            ) ?:
            []
            as $line
        ) {
            fwrite($out, $line);
        }
        fclose($out);
        file_put_contents(
            "{$this->home}/sphinx.conf",
            strtr(
                <<<'CONF'
                source titles {
                    type = tsvpipe
                    tsvpipe_command = cat HOME/titles.tsv
                    tsvpipe_field = title
                    tsvpipe_field = people
                    tsvpipe_field = series
                    tsvpipe_field = descr
                    tsvpipe_attr_uint = fmt
                    tsvpipe_attr_multi = subj
                    tsvpipe_attr_uint = aud
                    tsvpipe_attr_string = lang
                    tsvpipe_attr_uint = year
                    tsvpipe_attr_uint = lvl
                    tsvpipe_attr_uint = ready
                    tsvpipe_attr_uint = always
                    tsvpipe_attr_uint = award
                    tsvpipe_attr_uint = sid
                    tsvpipe_attr_uint = pop
                    tsvpipe_attr_uint = added
                }
                index titles {
                    source = titles
                    path = HOME/titles
                    morphology = stem_en
                    min_prefix_len = 3
                }
                searchd {
                    listen = 127.0.0.1:PORT:mysql41
                    pid_file = HOME/pid
                    log = HOME/log
                    query_log = /dev/null
                    workers = threads
                    binlog_path =
                }
                indexer {
                    mem_limit = 512M
                }
                CONF
                ,
                ['HOME' => $this->home, 'PORT' => (string) $this->port],
            ),
        );
        $begun = microtime(true);
        (new Process(['indexer', '-c', "{$this->home}/sphinx.conf", '--all'], timeout: 3600))->mustRun();
        $took = microtime(true) - $begun;
        (new Process(['searchd', '-c', "{$this->home}/sphinx.conf"], timeout: 60))->mustRun();
        sleep(3);

        return $took;
    }

    public function stop(): void
    {
        (new Process(['searchd', '-c', "{$this->home}/sphinx.conf", '--stopwait'], timeout: 120))->run();
        (new Process(['rm', '-rf', $this->home]))->run();
    }
}
