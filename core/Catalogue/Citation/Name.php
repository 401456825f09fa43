<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

/** A person's name in its parts, or the name of a body in one. */
final readonly class Name
{
    public function __construct(public string $family, public ?string $given = null) {}

    /** From the form in which names are sorted: "Osei, Maren"; without a comma it is one part. */
    public static function fromSorted(string $sorted): self
    {
        [$family, $given] = array_map(trim(...), explode(',', $sorted, 2) + [1 => '']);

        return new self($family, $given === '' ? null : $given);
    }

    /** "Osei, Maren" */
    public function inverted(): string
    {
        return $this->given === null ? $this->family : "{$this->family}, {$this->given}";
    }

    /** "Maren Osei" */
    public function natural(): string
    {
        return $this->given === null ? $this->family : "{$this->given} {$this->family}";
    }

    /**
     * The first letters of given names, each with what follows it: "M. J." or "MJ"; a hyphen stays where there are
     * stops.
     */
    public function initials(string $stop = '.', string $between = ' '): string
    {
        $letters = array_map(
            fn(string $name): string => implode(
                $stop === '' ? '' : '-',
                array_map(
                    fn(string $part): string => mb_strtoupper(mb_substr($part, 0, 1)) . $stop,
                    array_filter(explode('-', $name), fn(string $part): bool => $part !== ''),
                ),
            ),
            preg_split('/[\s.]+/u', (string) $this->given, flags: PREG_SPLIT_NO_EMPTY) ?: [],
        );

        return implode($between, $letters);
    }
}
