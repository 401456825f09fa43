<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\Card;
use DateTimeImmutable;

/** The fields of a card and its person that a file may change. */
final class ImportedFields
{
    private const OF_PERSON = ['name', 'email'];

    /**
     * Whether all of them are as they were before (0) or after (1).
     *
     * @param  array<string, array{string|null, string|null}>  $changes
     */
    public static function areNow(Card $card, array $changes, int $side): bool
    {
        foreach ($changes as $field => $of) {
            if (!self::same($field, self::now($card, $field), $of[$side])) {
                return false;
            }
        }

        return true;
    }

    /**
     * What to write so that they are as before (0) or after (1).
     *
     * @param  array<string, array{string|null, string|null}>  $changes
     * @return array{array<string, string|null>|null, array<string, DateTimeImmutable|string|null>} of the person,
     *     and of the card
     */
    public static function split(Card $card, array $changes, int $side): array
    {
        $person = ['name' => $card->person->name, 'email' => $card->person->email];
        $of = [];
        foreach ($changes as $field => $values) {
            $value = $values[$side];
            if (in_array($field, self::OF_PERSON, true)) {
                $person[$field] = $value;
            } else {
                $of[$field] = $field === 'expires_at' && $value !== null ? new DateTimeImmutable($value) : $value;
            }
        }

        return [array_intersect(self::OF_PERSON, array_keys($changes)) === [] ? null : $person, $of];
    }

    private static function now(Card $card, string $field): ?string
    {
        return match ($field) {
            'name' => $card->person->name,
            'email' => $card->person->email,
            'expires_at' => $card->expires_at?->format('c'),
            default => $card->getAttribute($field),
        };
    }

    private static function same(string $field, ?string $one, ?string $other): bool
    {
        return $field === 'expires_at' && $one !== null && $other !== null
            ? (new DateTimeImmutable($one))->getTimestamp() === (new DateTimeImmutable($other))->getTimestamp()
            : $one === $other;
    }
}
