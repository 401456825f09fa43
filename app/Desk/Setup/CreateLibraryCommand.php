<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Models\Library;
use DateTimeZone;
use FigPorch\Core\Lending\BeginningRules;
use Illuminate\Console\Command;

final class CreateLibraryCommand extends Command
{
    protected $signature =
        'library:create {slug : its name in addresses, such as saltmere} {--name= : as patrons see it} ' .
        '{--short-name=} {--place= : the town} {--timezone=UTC : such as Europe/Lisbon} ' .
        '{--pin-contact=the front desk} ' .
        '{--rules=public : public, school or college} {--consortium= : the libraries it shares with}';

    protected $description = 'Make a library, with rules to begin with; desk:staff then lets somebody into its Desk';

    public function handle(CreateLibrary $create): int
    {
        $slug = (string) $this->argument('slug');
        $name = trim((string) $this->option('name'));
        $wrong = match (true) {
            preg_match(NewLibrary::SLUG, $slug) !== 1 || strlen($slug) > 40
                => "'{$slug}' cannot stand in addresses: small letters, digits and hyphens, at most 40.",
            Library::query()->where('slug', $slug)->exists() => "There is a library '{$slug}' already.",
            $name === '' => 'Say what it is called: --name="Saltmere Town Library".',
            BeginningRules::tryFrom((string) $this->option('rules')) === null
                => '--rules is public, school or college.',
            !in_array($this->option('timezone'), DateTimeZone::listIdentifiers(), true) => "'{$this->option(
                'timezone',
            )}' is no time zone; one is Europe/Lisbon.",
            default => null,
        };
        if ($wrong !== null) {
            $this->error($wrong);

            return self::INVALID;
        }
        $text = fn(mixed $given, string $else): string => is_string($given) && trim($given) !== ''
            ? trim($given)
            : $else;
        $library = $create(
            new NewLibrary(
                name: $name,
                shortName: $text($this->option('short-name'), mb_substr($name, 0, 40)),
                slug: $slug,
                place: $text($this->option('place'), $name),
                timezone: (string) $this->option('timezone'),
                pinContact: $text($this->option('pin-contact'), 'the front desk'),
                rules: BeginningRules::from((string) $this->option('rules')),
                consortium: $text($this->option('consortium'), '') ?: null,
            ),
        );
        $this->info(
            "{$library->name} is there. Let somebody sign in at its Desk: " .
                "bin/artisan desk:staff MAIL --library={$slug} --name=NAME",
        );

        return self::SUCCESS;
    }
}
