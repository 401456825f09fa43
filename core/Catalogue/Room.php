<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** A part of a library for some readers, with lists of its own. */
final readonly class Room
{
    public const LONGEST_SLUG = 40;

    /** Ranges of ages that can be chosen between. */
    public const MOST_AGES = 8;

    private const OLDEST = 120;

    /**
     * @param  string  $slug  in its address: small letters, digits and hyphens
     * @param  array<string, string>  $names  by language; none: the usual ones
     * @param  array<string, string>  $about  whom it is for, by language
     * @param  Audience|null  $audience  for whom the titles are that belong here by themselves; null: none do
     * @param  list<array{int, int}>  $ages  both included, that can be chosen between
     *
     * @throws InvalidArgumentException
     */
    public function __construct(
        public string $slug,
        public array $names = [],
        public array $about = [],
        public ?Audience $audience = null,
        public array $ages = [],
    ) {
        if (strlen($slug) > self::LONGEST_SLUG || preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/', $slug) !== 1) {
            throw new InvalidArgumentException("'{$slug}' is no name in an address.");
        }
        if ($names === [] && UsualRoom::tryFrom($slug) === null) {
            throw new InvalidArgumentException('A room has a name.');
        }
    }

    /** @return list<self> */
    public static function usual(): array
    {
        return array_map(
            fn(UsualRoom $of): self => new self($of->value, audience: $of->audience(), ages: $of->ages()),
            UsualRoom::cases(),
        );
    }

    /**
     * Ranges as people write them: "0-5, 6-8, 9-12", or a line each.
     *
     * @return list<array{int, int}>|null null where something of it is no range of ages
     */
    public static function readAges(string $text): ?array
    {
        $ages = [];
        foreach (preg_split('/[,;\n]+/', $text) ?: [] as $part) {
            if (trim($part) === '') {
                continue;
            }
            if (preg_match('/^\s*(\d{1,3})\s*[-–]\s*(\d{1,3})\s*$/u', $part, $m) !== 1) {
                return null;
            }
            [$from, $to] = [(int) $m[1], (int) $m[2]];
            if ($from > $to || $to > self::OLDEST) {
                return null;
            }
            $ages[] = [$from, $to];
        }

        return count($ages) > self::MOST_AGES ? null : $ages;
    }

    /** As readAges() takes them. */
    public static function writeAges(self $room): string
    {
        return implode(', ', array_map(fn(array $range): string => implode('-', $range), $room->ages));
    }
}
