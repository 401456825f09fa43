<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapIndex\IndexBitmaps;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Suggestions\IndexPrefixes;
use App\Catalogue\Suggestions\Suggest;
use App\Catalogue\Suggestions\Suggestion;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\App\TestCase;

/** What is gathered for the beginnings of words suggests what looking through all names does. */
final class LikelyNamesTest extends TestCase
{
    #[TestWith([100])]
    #[TestWith([0], 'as if every name had too many titles to list them')]
    public function test_suggestions_by_beginnings_are_true_and_none_is_missing(int $many): void
    {
        $this->app->when(IndexPrefixes::class)->needs('$many')->give(fn(): int => $many);
        $this->library();
        $this->library('hollow');
        Artisan::call('demo:grow --titles=400');
        $typed = array_merge(
            ...array_map(
                fn(string $name): array => [
                    mb_substr($name, 0, 2),
                    mb_substr($name, 0, 4),
                    $name,
                    mb_strtolower(mb_substr($name, (int) mb_strrpos($name, ' ') + 1, 7)),
                ],
                [
                    ...DB::table('titles')->orderByRaw('md5(name)')->limit(8)->pluck('name')->all(),
                    ...DB::table('contributors')->orderByRaw('md5(name)')->limit(8)->pluck('name')->all(),
                    ...DB::table('subjects')->limit(3)->pluck('name')->all(),
                    'zzyq',
                ],
            ),
        );
        $plain = array_map($this->suggested(...), $typed);
        array_map(fn(IndexPart $what): int => app(IndexBitmaps::class)($what, $this->now()), IndexPart::cases());
        $this->assertGreaterThan(1000, DB::table('search_prefixes')->count());
        $this->assertSuggestsTheSame($plain, $typed);
        // A person's and a subject's titles come and go after that.
        $ours = DB::table('licences')
            ->where('library_id', $this->library()->id)
            ->orderByRaw('md5(id::text)')
            ->limit(40)
            ->pluck('id');
        DB::table('licences')
            ->whereIn('id', $ours)
            ->update(['library_id' => $this->library('hollow')->id]);
        DB::table('licences')
            ->whereNotIn('id', $ours)
            ->where('library_id', $this->library('hollow')->id)
            ->orderByRaw('md5(id::text)')
            ->limit(40)
            ->update(['library_id' => $this->library()->id]);
        DB::statement('select search_refresh((select array_agg(title_id) from search_rows), now())');
        $this->assertGreaterThan(20, DB::table('search_index_changes')->count());
        DB::beginTransaction();
        DB::table('search_prefixes')->delete();
        DB::table('search_gatherings')->delete();
        $changed = array_map($this->suggested(...), $typed);
        DB::rollBack();
        $this->assertNotEquals($plain, $changed);
        $this->assertSuggestsTheSame($changed, $typed);
        // As if records had changed; and then too many to look at each of them for a new name.
        DB::insert(
            "insert into search_index_changes (title_id, of) select title_id, 'records' from search_rows
                order by md5(title_id::text) limit 60",
        );
        $this->assertSuggestsTheSame($changed, $typed);
        DB::insert(
            "insert into search_index_changes (title_id, of) select title_id, 'records' from search_rows
                order by title_id limit 250",
        );
        $this->assertSuggestsTheSame($changed, $typed);
        DB::table('search_gatherings')->delete();
        $this->assertSuggestsTheSame($changed, $typed);
    }

    public function test_a_title_that_came_after_the_gathering_is_suggested(): void
    {
        $this->library();
        Artisan::call('demo:grow --titles=200');
        array_map(fn(IndexPart $what): int => app(IndexBitmaps::class)($what, $this->now()), IndexPart::cases());
        $title = $this->title('Zennorwick at low water', author: 'Quorra Zylk');
        $this->assertSame([], $this->suggested('zenno')['title']);
        $this->licence($title);
        $this->assertSame([$title->id], array_keys($this->suggested('zenno')['title']));
        $this->assertSame([$title->id], array_keys($this->suggested('low zennorw')['title']));
        $this->assertSame([], $this->suggested('high zennorw')['title']);
        $this->assertSame(['author Quorra Zylk' => 1], $this->suggested('zylk')['person']);
        $this->assertSame(['author Quorra Zylk' => 1], $this->suggested('quorra z')['person']);
        // By the gathered sets and without, its name says its language, where that is not the page's.
        $title->update(['language' => 'es-MX']);
        Artisan::call('search:index');
        $suggested = fn(): TestResponse => $this->get('/suggest?q=zenno&library=saltmere')->assertOk();
        $suggested()->assertSee('<bdi lang="es-MX">Zennorwick at low water</bdi>', false);
        DB::table('search_gatherings')->delete();
        $suggested()->assertSee('<bdi lang="es-MX">Zennorwick at low water</bdi>', false);
        $this->withUnencryptedCookie('locale', 'es');
        $suggested()->assertSee('<bdi>Zennorwick at low water</bdi>', false);
    }

    /**
     * @param  list<array<string, array<string, int>>>  $plain  by kind of name and label
     * @param  list<string>  $typed
     */
    private function assertSuggestsTheSame(array $plain, array $typed): void
    {
        foreach ($typed as $n => $text) {
            $likely = $this->suggested($text);
            foreach (['title', 'person', 'series', 'subject'] as $kind) {
                $this->assertSame(count($plain[$n][$kind]), count($likely[$kind]), "“{$text}”, {$kind}");
                foreach ($likely[$kind] as $label => $count) {
                    $this->assertSame($plain[$n][$kind][$label] ?? $count, $count, "“{$text}”, {$label}");
                }
            }
            // As many titles behind the most likely ones, whichever of equals are shown.
            foreach (['person', 'series', 'subject'] as $kind) {
                $this->assertSame(
                    array_values($plain[$n][$kind])[0] ?? 0,
                    array_values($likely[$kind])[0] ?? 0,
                    "“{$text}”, {$kind}",
                );
            }
        }
    }

    /**
     * @return array<string, array<string, int>> count by kind of name and label
     */
    private function suggested(string $typed): array
    {
        $by = ['title' => [], 'person' => [], 'series' => [], 'subject' => []];
        array_map(function (Suggestion $s) use (&$by): void {
            $kind = in_array($s->kind, ['title', 'series', 'subject'], true) ? $s->kind : 'person';
            $by[$kind][$kind === 'title' ? (string) $s->titleId : "{$s->kind} {$s->label}"] = $s->count;
        }, app(Suggest::class)->of($this->library()->id, $typed, $this->now()));

        return $by;
    }
}
