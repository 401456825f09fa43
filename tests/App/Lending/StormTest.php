<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use FigPorch\Core\Lending\LicenceModel as M;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** Many at once, through connections of their own, at one title and at one card: every invariant is kept. */
final class StormTest extends TestCase
{
    /** @return iterable<string, array{int, int, list<M>}> cards, titles, licence models */
    public static function storms(): iterable
    {
        yield 'one hot title' => [24, 1, [M::OneCopyOneUser]];
        yield 'one hot title with several licences' => [
            24,
            1,
            [M::MeteredByLoans, M::MeteredByTime, M::OneCopyOneUser],
        ];
        yield 'one card at many titles' => [1, 24, [M::OneCopyOneUser]];
        yield 'everything at once' => [8, 5, [M::MeteredByLoans, M::OneCopyOneUser, M::Concurrent]];
    }

    /** @param  list<M>  $models */
    #[DataProvider('storms')]
    public function test_every_invariant_holds(int $cards, int $titles, array $models): void
    {
        $this->travelBack();
        $cardIds = array_map(fn(): int => $this->card()->id, range(1, $cards));
        $titleIds = [];
        for ($t = 0; $t < $titles; $t++) {
            $title = $this->title("Title {$t}");
            foreach ($models as $model) {
                $this->licence(
                    $title,
                    $model,
                    copies: 2,
                    loans: 60,
                    ends: $model === M::MeteredByTime ? '+1 year' : null,
                );
            }
            $titleIds[] = $title->id;
        }

        $workers = [];
        for ($w = 0; $w < 6; $w++) {
            $workers[] = $worker = new Process(
                [
                    'php',
                    __DIR__ . '/storm.php',
                    (string) (100 + $w),
                    '60',
                    implode(',', $cardIds),
                    implode(',', $titleIds),
                ],
                timeout: 120,
            );
            $worker->start();
        }
        $done = ['borrowed' => 0, 'returned' => 0, 'held' => 0, 'cancelled' => 0, 'ended' => 0, 'refused' => 0];
        foreach ($workers as $worker) {
            $worker->wait();
            $this->assertTrue($worker->isSuccessful(), $worker->getErrorOutput() . $worker->getOutput());
            foreach (json_decode($worker->getOutput(), true) as $what => $count) {
                $done[$what] += $count;
            }
        }

        $this->assertEveryCountIsTrue();
        // At one title alone, most of whose copies are kept for those who wait, few loans are made, and all of them may
        // come back in one of the two ways.
        $back = $titles === 1 ? $done['returned'] + $done['ended'] : min($done['returned'], $done['ended']);
        $this->assertGreaterThan(
            0,
            min($done['borrowed'], $back, $done['refused']),
            'the storm blew: ' . json_encode($done),
        );
        $this->assertSame($done['borrowed'], DB::table('loans')->count(), 'no loan was lost or doubled');
        $this->assertSame($done['held'], DB::table('holds')->count(), 'no hold was lost or doubled');
        $this->assertLessThanOrEqual(7, DB::table('cards')->max('loans_open'));
    }
}
