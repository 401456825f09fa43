<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Models\Card;
use App\Models\Library;
use Closure;
use DateTimeImmutable;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** What all that fills the demo shares: its day, its chances, its libraries, and whom to tell how far it has come. */
final class DemoLibraries
{
    /** @var array<string, Library> by slug */
    public array $libraries = [];

    public readonly Randomizer $random;

    /** Where files that were built for the demo are kept from one time to the next. */
    public readonly string $folder;

    /** @param  Closure(string): void  $say */
    public function __construct(public readonly DateTimeImmutable $now, private readonly Closure $say)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(7));
        $this->folder = dirname(storage_path()) . '/demo';
    }

    public function say(string $done): void
    {
        ($this->say)($done);
    }

    public function firstCard(): Card
    {
        return Card::query()->where('number', Members::CARDS[0]['number'])->firstOrFail();
    }
}
