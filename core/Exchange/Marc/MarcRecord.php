<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/** A record of MARC 21 (loc.gov/marc/bibliographic). */
final readonly class MarcRecord
{
    /** @param  list<MarcField>  $fields */
    public function __construct(public string $leader, public array $fields) {}

    /** @return list<MarcField> of some tags, in order */
    public function fields(string ...$tags): array
    {
        return array_values(array_filter($this->fields, fn(MarcField $of): bool => in_array($of->tag, $tags, true)));
    }

    public function control(string $tag): string
    {
        return $this->fields($tag)[0]->value ?? '';
    }

    /** @return list<string> values of some subfields of fields of a tag */
    public function values(string $tag, string $codes): array
    {
        return array_merge([], ...array_map(fn(MarcField $of): array => $of->all($codes), $this->fields($tag)));
    }
}
