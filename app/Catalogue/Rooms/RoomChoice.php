<?php

declare(strict_types=1);

namespace App\Catalogue\Rooms;

use App\Shared\Sql;
use FigPorch\Core\Catalogue\Room;

/** How a room opens for somebody: for which ages, with fiction or without, about what. */
final readonly class RoomChoice
{
    private const MOST_SUBJECTS = 12;

    /**
     * @param  array{int, int}|null  $ages  one of the room's ranges
     * @param  bool|null  $fiction  null for both
     * @param  list<int>  $subjects  about any of them
     */
    private function __construct(
        public ?array $ages = null,
        public ?bool $fiction = null,
        public array $subjects = [],
    ) {}

    /** @param  array<mixed>  $kept  as kept() gives it */
    public static function read(Room $room, array $kept): self
    {
        $ages =
            array_values(
                array_filter($room->ages, fn(array $range): bool => implode('-', $range) === ($kept['ages'] ?? null)),
            )[0] ?? null;
        $subjects = is_array($kept['subjects'] ?? null)
            ? array_filter(
                $kept['subjects'],
                fn(mixed $id): bool => (is_string($id) || is_int($id)) &&
                    ctype_digit((string) $id) &&
                    strlen((string) $id) < 10,
            )
            : [];

        return new self(
            $ages,
            ['fiction' => true, 'facts' => false][$kept['kind'] ?? ''] ?? null,
            array_slice(array_values(array_unique(array_map(intval(...), $subjects))), 0, self::MOST_SUBJECTS),
        );
    }

    /** @return array{ages: string, kind: string, subjects: list<int>} */
    public function kept(): array
    {
        return [
            'ages' => $this->ages === null ? '' : implode('-', $this->ages),
            'kind' => match ($this->fiction) {
                true => 'fiction',
                false => 'facts',
                null => '',
            },
            'subjects' => $this->subjects,
        ];
    }

    public function isSet(): bool
    {
        return $this->ages !== null || $this->fiction !== null || $this->subjects !== [];
    }

    /**
     * As a condition on search_rows (alias s).
     *
     * @return array{string, list<mixed>}
     */
    public function sql(): array
    {
        [$sql, $bindings] = ['true', []];
        if ($this->ages !== null) {
            $sql .= ' and s.age_from <= ? and s.age_to >= ?';
            array_push($bindings, $this->ages[1], $this->ages[0]);
        }
        if ($this->fiction !== null) {
            $sql .= ' and s.fiction is ' . ($this->fiction ? 'true' : 'false');
        }
        if ($this->subjects !== []) {
            $sql .= ' and s.title_id in (select title_id from subject_title where subject_id = any(?::bigint[]))';
            $bindings[] = Sql::array($this->subjects);
        }

        return [$sql, $bindings];
    }
}
