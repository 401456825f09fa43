<?php

declare(strict_types=1);

namespace App\Queries\Catalogue\Sets;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use stdClass;

/**
 * The sets of titles that were gathered last, and what has come loose since: titles that have changed, or of which a date has passed, whose
 * bits are not to be believed. Sets are kept as files on each machine: they are read with every search and never change.
 */
final class Gathering
{
    /** Of these kinds only the commonest values have sets of their own. */
    public const MOST = ['subject' => 600, 'award' => 100];

    /** With more to look at one by one than this, sets save nothing. */
    private const MOST_LOOSE = 6000;

    private const LATEST = 'select id, key, (select coalesce(json_agg(l.title_id), \'[]\') from (
            select title_id from search_loose union select title_id from search_rows where sure_until <= ? union select title_id from search_rows where sure_from > ? limit ?) l) loose
        from search_gatherings order by id desc limit 1';

    /**
     * @param  array<string, int>  $counts  titles of each set that there is, by its name
     */
    private function __construct(private readonly int $id, private readonly string $folder, private readonly array $counts, public readonly TitleSet $loose)
    {
    }

    /** Null where nothing was gathered, or too much has changed since. */
    public static function latest(DateTimeImmutable $now): ?self
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $row = DB::selectOne(self::LATEST, [$at, $at, self::MOST_LOOSE + 1]);
        $loose = $row instanceof stdClass ? json_decode($row->loose) : [];

        return $row === null || count($loose) > self::MOST_LOOSE ? null : new self($row->id, $folder = storage_path("search/{$row->key}"), self::counts($row->id, $folder), TitleSet::of($loose));
    }

    /** How many titles there were. */
    public function titles(): int
    {
        return $this->counts['all'];
    }

    /** A set as it was gathered; null where there is none of that name. None is kept: hundreds at once would cost more than reading one twice. */
    public function set(string $name): ?TitleSet
    {
        return isset($this->counts[$name]) ? $this->file($name) : null;
    }

    /** The set of a value whose kind has a set for each value there is: where it has none, no title has it. */
    public function every(string $name): TitleSet
    {
        return $this->set($name) ?? TitleSet::none();
    }

    /**
     * The values of a kind, with how many titles each had when they were gathered, the most first.
     *
     * @return array<int|string, int>
     */
    public function values(string $kind): array
    {
        $values = [];
        foreach ($this->counts as $name => $count) {
            if (str_starts_with($name, "{$kind}:")) {
                $values[substr($name, strlen($kind) + 1)] = $count;
            }
        }
        arsort($values);

        return $values;
    }

    private function file(string $name): TitleSet
    {
        $path = $this->folder.'/'.md5($name);
        $bytes = @file_get_contents($path);
        if ($bytes === false) {
            $bytes = (string) stream_get_contents(DB::scalar('select bits from search_sets where gathering_id = ? and name = ?', [$this->id, $name]));
            self::keep($path, $bytes);
        }

        return TitleSet::fromBytes($bytes, $this->counts[$name]);
    }

    /** @return array<string, int> */
    private static function counts(int $id, string $folder): array
    {
        $path = "{$folder}/counts.php";
        if (! is_file($path)) {
            // Another request may still read the gathering before.
            $kept = DB::table('search_gatherings')->pluck('key')->all();
            array_map(File::deleteDirectory(...), array_filter(File::isDirectory(dirname($folder)) ? File::directories(dirname($folder)) : [], fn (string $old): bool => ! in_array(basename($old), $kept, true)));
            self::keep($path, '<?php return '.var_export(json_decode((string) DB::scalar('select counts from search_gatherings where id = ?', [$id]), true), true).';');
        }

        return require $path;
    }

    private static function keep(string $path, string $bytes): void
    {
        File::ensureDirectoryExists(dirname($path));
        $new = $path.'.'.getmypid();
        file_put_contents($new, $bytes);
        rename($new, $path);
    }
}
