<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use DateTimeImmutable;
use FigPorch\Core\Lending\CardNumber;

/** A line of a file of patrons, as it can be used, or why it cannot. */
final readonly class PatronRow
{
    /** A PIN is four digits to twelve. */
    private const PIN = '/^\d{4,12}$/D';

    private function __construct(
        public int $line,
        public string $name,
        public ?string $number,
        public ?string $email,
        public ?string $group,
        public ?string $class,
        public ?string $expires,
        public ?string $pin,
        public ?string $why,
    ) {}

    /**
     * @param  array<string, string>  $cells  as PatronColumns gives them
     * @param  array<string, string>  $groups  as the library writes them, by small letters
     */
    public static function of(int $line, array $cells, array $groups): self
    {
        $group = $cells['group'] === '' ? null : $groups[mb_strtolower($cells['group'])] ?? null;
        $expires = self::day($cells['expires']);
        $number = CardNumber::plain($cells['number']);
        $why = match (true) {
            $cells['name'] === '' => 'no_name',
            mb_strlen($cells['name']) > 120 => 'long_name',
            $number !== '' && !CardNumber::isOne($number) => 'bad_number',
            $cells['email'] !== '' &&
                (mb_strlen($cells['email']) > 200 || filter_var($cells['email'], FILTER_VALIDATE_EMAIL) === false)
                => 'bad_email',
            $cells['group'] !== '' && $group === null => 'no_group',
            mb_strlen($cells['class']) > 60 => 'long_class',
            $cells['expires'] !== '' && $expires === null => 'bad_day',
            $cells['pin'] !== '' && preg_match(self::PIN, $cells['pin']) !== 1 => 'bad_pin',
            default => null,
        };

        return new self(
            line: $line,
            name: mb_substr($cells['name'], 0, 120),
            number: $number === '' ? null : mb_substr($number, 0, 60),
            email: $cells['email'] === '' ? null : mb_substr($cells['email'], 0, 200),
            group: $group,
            class: $cells['class'] === '' ? null : mb_substr($cells['class'], 0, 60),
            expires: $expires,
            pin: $why === null && $cells['pin'] !== '' ? $cells['pin'] : null,
            why: $why,
        );
    }

    /** @return array<string, string|null> what is kept of it, without the PIN */
    public function given(): array
    {
        return array_filter(
            [
                'number' => $this->number,
                'name' => $this->name,
                'email' => $this->email,
                'group' => $this->group,
                'class' => $this->class,
                'expires' => $this->expires,
            ],
            fn(?string $value): bool => $value !== null,
        );
    }

    /**
     * 2027-06-30, or 30.6.2027; with slashes nobody knows which is the month.
     *
     * @return string|null as year-month-day
     */
    private static function day(string $text): ?string
    {
        foreach (['!Y-m-d', '!j.n.Y', '!d.m.Y'] as $format) {
            $at = DateTimeImmutable::createFromFormat($format, $text);
            if ($at !== false && $at->format(substr($format, 1)) === $text) {
                $day = $at->format('Y-m-d');

                return $day >= '2000-01-01' && $day < '2200-01-01' ? $day : null;
            }
        }

        return null;
    }
}
