<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Loan;
use App\Models\Place;
use Illuminate\Testing\TestResponse;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** Where one is, on several devices. */
final class PlaceTest extends TestCase
{
    use ImportsBooks;

    private const PHONE = '11111111-1111-4111-8111-111111111111';

    private const DESK = '22222222-2222-4222-8222-222222222222';

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->loan = $this->borrow($card = $this->card(), $this->importBook());
        $this->be($card->person);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function keep(string $device, float $at, int $secondsAgo = 0, int $clock = 1_000_000): TestResponse
    {
        return $this->putJson("/loans/{$this->loan->id}/place", [
            'device' => $device,
            'device_name' => 'phone',
            'read_at' => $clock - $secondsAgo * 1000,
            'sent_at' => $clock,
            'locator' => [
                'href' => 'book/chapter-02.xhtml',
                'type' => 'application/xhtml+xml',
                'locations' => [
                    'progression' => 0.25,
                    'position' => 9,
                    'totalProgression' => $at,
                    'fragments' => ['epubcfi(/6/8!/4/2)', 'page=4'],
                ],
            ],
        ]);
    }

    public function test_a_place_is_kept_and_shown_where_one_picks_up_again(): void
    {
        $this->keep(self::PHONE, 0.5)->assertNoContent();
        $this->get("/loans/{$this->loan->id}/read")
            ->assertOk()
            ->assertSee('epubcfi(/6/8!/4/2)', false);
        $this->get('/porch')->assertSee('Page 4 of 7');
        $this->get('/loans')->assertSee('Page 4 of 7');
    }

    public function test_what_arrives_late_does_not_overwrite_what_was_read_later(): void
    {
        $this->keep(self::PHONE, 0.6, secondsAgo: 10)->assertNoContent();
        $this->keep(self::PHONE, 0.3, secondsAgo: 600)->assertNoContent();
        $this->assertSame(0.6, Place::query()->sole()->fraction());
        $this->keep(self::PHONE, 0.3, secondsAgo: 600)->assertNoContent();
        $this->assertSame(1, Place::query()->count(), 'the same again changes nothing');
    }

    public function test_each_device_has_a_place_and_the_newest_opens(): void
    {
        $this->keep(self::PHONE, 0.7, secondsAgo: 100);
        $this->keep(self::DESK, 0.2);
        $this->getJson("/loans/{$this->loan->id}/places")
            ->assertJsonCount(2)
            ->assertJsonPath('0.device', self::DESK)
            ->assertJsonPath('1.locator.locations.totalProgression', 0.7);
    }

    public function test_a_device_whose_clock_is_wrong_is_corrected(): void
    {
        $this->keep(self::PHONE, 0.4, secondsAgo: 30, clock: 4_000_000_000_000);
        $this->assertSame(
            $this->now()->subSeconds(30)->getTimestamp(),
            Place::query()->sole()->read_at->getTimestamp(),
        );
    }

    public function test_a_place_that_is_none_is_refused(): void
    {
        $this->keep(self::PHONE, 1.5)->assertUnprocessable();
        $this->keep('not-a-device', 0.5)->assertUnprocessable();
        $this->putJson("/loans/{$this->loan->id}/place", [
            'device' => self::PHONE,
            'read_at' => 1,
            'sent_at' => 2,
            'locator' => ['href' => ''],
        ])->assertUnprocessable();
        $this->assertSame(0, Place::query()->count());
    }

    /**
     * Rules §7: whatever the order, however often, and with what is lost on the way, each device is where it was last
     * heard to be.
     */
    public function test_places_merge_to_the_same_in_any_order_with_repeats_and_losses(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(5));
        $places = [];
        foreach ([self::PHONE, self::DESK, '33333333-3333-4333-8333-333333333333'] as $d => $device) {
            for ($n = 0; $n < 5; $n++) {
                $places[] = [$device, $random->getInt(1, 999) / 1000, 600 - 100 * $n - 20 * $d];
            }
        }
        for ($round = 0; $round < 8; $round++) {
            $sent = array_filter(
                $random->shuffleArray([...$places, ...$places]),
                fn(): bool => $random->getInt(1, 10) > 3,
            );
            Place::query()->delete();
            $last = [];
            foreach ($sent as [$device, $at, $secondsAgo]) {
                $this->keep($device, $at, $secondsAgo)->assertNoContent();
                if ($secondsAgo <= ($last[$device][1] ?? PHP_INT_MAX)) {
                    $last[$device] = [$at, $secondsAgo];
                }
            }
            uasort($last, fn(array $a, array $b): int => $a[1] <=> $b[1]);
            $kept = $this->getJson("/loans/{$this->loan->id}/places")->json();
            $this->assertSame(array_keys($last), array_column($kept, 'device'), 'the newest first');
            $this->assertSame(
                array_column($last, 0),
                array_map(fn(array $place): float => (float) $place['locator']['locations']['totalProgression'], $kept),
            );
        }
    }
}
