<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** A title that nobody here knows, in the words of who would like it. */
final readonly class WantedTitle
{
    public const LONGEST = 200;

    public ?string $number;

    /**
     * @param  string  $number  an ISBN, ISSN or ISMN, hyphens tolerated; empty where none is known
     *
     * @throws InvalidArgumentException with "name" or "number" as its message, for what is missing or wrong
     */
    public function __construct(
        public string $name,
        public string $people = '',
        public ?Format $format = null,
        string $number = '',
    ) {
        if (trim($name) === '' || mb_strlen($name) > self::LONGEST || mb_strlen($people) > self::LONGEST) {
            throw new InvalidArgumentException('name');
        }
        $parsed = trim($number) === '' ? null : Identifier::parse($number);
        if (trim($number) !== '' && $parsed === null) {
            throw new InvalidArgumentException('number');
        }
        $this->number = $parsed?->number;
    }
}
