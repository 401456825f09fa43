<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** A row of a library's front door: what it shows, and from when until when. */
final readonly class FrontRow
{
    /** @param  int|null  $list  the staff list that it shows, where it shows one */
    public function __construct(
        public FrontRowKind $kind,
        public ?int $list = null,
        public ?string $from = null,
        public ?string $until = null,
    ) {}

    /** @return list<self> the usual */
    public static function usual(): array
    {
        return [new self(FrontRowKind::Formats), new self(FrontRowKind::Ready), new self(FrontRowKind::Lists)];
    }

    /**
     * @param  array<mixed>|null  $stored  as toArray() gave them; what cannot be read is left out
     * @return list<self>
     */
    public static function read(?array $stored): array
    {
        if ($stored === null) {
            return self::usual();
        }
        $rows = [];
        foreach ($stored as $of) {
            $of = is_array($of) ? $of : [];
            $kind = FrontRowKind::tryFrom(is_string($of['kind'] ?? null) ? $of['kind'] : '');
            $list = is_int($of['list'] ?? null) ? $of['list'] : null;
            if ($kind !== null && ($kind === FrontRowKind::List) === ($list !== null)) {
                $rows[] = new self($kind, $list, self::day($of['from'] ?? null), self::day($of['until'] ?? null));
            }
        }

        return $rows;
    }

    /** @param  string  $day  "2026-12-24", by the library's calendar */
    public function showsOn(string $day): bool
    {
        return ($this->from === null || $this->from <= $day) && ($this->until === null || $this->until >= $day);
    }

    /** @return array{kind: string, list: int|null, from: string|null, until: string|null} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'list' => $this->list, 'from' => $this->from, 'until' => $this->until];
    }

    private static function day(mixed $text): ?string
    {
        return is_string($text) && preg_match('/^\d{4}-\d\d-\d\d$/D', $text) === 1 ? $text : null;
    }
}
