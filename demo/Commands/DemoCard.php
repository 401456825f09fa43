<?php

declare(strict_types=1);

namespace FigPorch\Demo\Commands;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Hash;

/** A patron of one's own, whom nobody else borrows with: each browser test has one. */
final class DemoCard extends Command
{
    protected $signature = 'demo:card {library : its name in addresses, such as saltmere} {--group=adult}';

    protected $description = 'Give a new patron a card of a demo library, and print its number and PIN';

    public function handle(): int
    {
        $library = Library::query()->where('slug', $this->argument('library'))->first();
        if ($library === null) {
            $known = Library::query()->orderBy('slug')->pluck('slug')->implode(', ');
            $this->error("There is no such library. There are: {$known}.");

            return self::FAILURE;
        }
        $number = (string) random_int(7_000_000_000, 7_999_999_999);
        $pin = (string) random_int(1000, 9999);
        $person = Person::query()->create(['name' => "Visitor {$number}", 'email' => "{$number}@lantern.example"]);
        Card::query()->create([
            'library_id' => $library->id,
            'person_id' => $person->id,
            'number' => $number,
            'pin_hash' => Hash::make($pin),
            'patron_group' => $this->option('group'),
            'expires_at' => CarbonImmutable::now()->addYear(),
        ]);
        $this->line("{$number} {$pin}");

        return self::SUCCESS;
    }
}
