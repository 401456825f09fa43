<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Genre;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SeriesPosition;
use FigPorch\Core\Exchange\UnreadableRecord;
use InvalidArgumentException;

/**
 * A MARC 21 record as a catalogue record (loc.gov/marc/bibliographic). What records of others leave out, or say with
 * ISBD punctuation, is understood as catalogues have written it for long; marked where that is common practice.
 */
final class RecordOfMarc
{
    /** Leader, 6: what is lent here. */
    private const FORMATS = [
        'a' => Format::Ebook,
        't' => Format::Ebook,
        'i' => Format::Audiobook,
        'j' => Format::Music,
        'g' => Format::Video,
        // Computer files: taken for what 336 says, or for a text.
        'm' => Format::Ebook,
    ];

    /** 336 $b */
    private const CONTENT = [
        'txt' => Format::Ebook,
        'spw' => Format::Audiobook,
        'prm' => Format::Music,
        'tdi' => Format::Video,
    ];

    private const MOST_OF_ANYTHING = 100_000_000;

    /** @throws UnreadableRecord */
    public static function read(MarcRecord $of): Record
    {
        $titles = $of->fields('245');
        $isPlain = ($of->leader[18] ?? ' ') === 'c';
        $clean = fn(?string $text): ?string => $text === null ? null : ($isPlain ? $text : self::withoutMarks($text));
        $name = $titles === [] ? null : self::name($titles[0], $clean);
        if ($name === null || $name === '') {
            throw new UnreadableRecord('it has no title (245 $a).');
        }
        $format = self::format($of) ?? throw new UnreadableRecord("“{$name}” is of a kind that is not lent here.");
        $identifiers = self::identifiers($of);
        [$series, $position] = self::series($of, $clean);
        $ages = self::ages($of);
        $seconds = self::seconds($of);
        $subjects = self::subjects($of, $clean);
        try {
            return new Record(
                key: self::key($of, $identifiers, $format),
                format: $format,
                name: $name,
                contributors: self::people($of, $format, $clean),
                extent: match ($format) {
                    Format::Ebook, Format::Magazine => self::many($of),
                    Format::Music => self::many($of),
                    default => $seconds ?? 0,
                },
                subtitle: $clean($titles[0]->get('b')),
                edition: $clean($of->values('250', 'a')[0] ?? null),
                language: self::language($of),
                audience: self::audience($of, $format) ?? ($ages?->audience() ?? Audience::Adult),
                description: self::description($of),
                publisher: $clean(self::published($of, 'b')),
                published: self::date($of),
                identifiers: $identifiers,
                subjects: $subjects,
                series: $series,
                seriesPosition: SeriesPosition::read($position),
                seconds: $format === Format::Music ? $seconds : null,
                accessibility: self::accessibility($of),
                awards: $of->values('586', 'a'),
                level: self::level($of),
                ages: $ages,
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableRecord("“{$name}”: {$problem->getMessage()}");
        }
    }

    /**
     * The title proper with number and name of a part.
     *
     * @param  callable(string|null): (string|null)  $clean
     */
    private static function name(MarcField $title, callable $clean): ?string
    {
        $parts = array_filter(array_map($clean, [...$title->all('a'), ...$title->all('np')]));

        return $parts === [] ? null : implode('. ', $parts);
    }

    /** ISBD punctuation before what follows (common practice; ISBD, A.3). A stop after a letter alone is its own. */
    private static function withoutMarks(string $text): string
    {
        $text = (string) preg_replace('/\s*[\/:;,=]\s*$/u', '', trim($text));

        return (string) preg_replace('/(?<=[^\s.]{3})\.$/u', '', $text);
    }

    private static function format(MarcRecord $of): ?Format
    {
        $type = $of->leader[6] ?? ' ';
        $content = $type === 'm' ? self::CONTENT[$of->values('336', 'b')[0] ?? ''] ?? null : null;
        $format = $content ?? (self::FORMATS[$type] ?? null);

        return $format === Format::Ebook && in_array($of->leader[7] ?? ' ', ['s', 'b', 'i'], true)
            ? Format::Magazine
            : $format;
    }

    /** @param  list<string>  $identifiers */
    private static function key(MarcRecord $of, array $identifiers, Format $format): string
    {
        foreach ($of->values('035', 'a') as $own) {
            if (str_starts_with($own, MarcOfRecord::OURS)) {
                return substr($own, strlen(MarcOfRecord::OURS));
            }
        }
        foreach ($identifiers as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return "isbn:{$isbn->thirteen}";
            }
        }
        $number = trim($of->control('001'));
        if ($number === '') {
            throw new UnreadableRecord('it has neither an ISBN (020) nor a number (001): nobody could know it again.');
        }

        return 'marc:' . trim($of->control('003')) . ":{$number}";
    }

    /** @return list<string> each number once; as it was written where a record of ours says so */
    private static function identifiers(MarcRecord $of): array
    {
        $written = $known = [];
        foreach ($of->fields('024') as $field) {
            if (in_array($field->first, ['7', '8'], true)) {
                array_push($written, ...$field->all('a'));
            }
        }
        foreach ($written as $text) {
            $known[Identifier::parse($text)->number ?? $text] = true;
        }
        $numbers = [
            // "9780306406157 (pbk.)": what follows the number is a qualifier.
            ...array_map(fn(string $of): string => (string) strtok($of, ' ('), $of->values('020', 'a')),
            ...$of->values('022', 'a'),
        ];
        foreach ($of->fields('024') as $field) {
            $kind = ['2' => 'ISMN ', '0' => 'ISRC '][$field->first] ?? null;
            $kind === null || array_push($numbers, ...array_map(fn(string $n): string => $kind . $n, $field->all('a')));
        }
        foreach ($numbers as $number) {
            $plain = Identifier::parse($number)->number ?? null;
            if ($plain !== null && !isset($known[$plain])) {
                $known[$plain] = true;
                $written[] = str_starts_with($number, 'IS') ? $number : $plain;
            }
        }

        return array_values(array_unique($written));
    }

    /**
     * @param  callable(string|null): (string|null)  $clean
     * @return list<array{name: string, sort: string, role: string}>
     */
    private static function people(MarcRecord $of, Format $format, callable $clean): array
    {
        $people = [];
        foreach ($of->fields('100', '110', '111', '700', '710', '711') as $field) {
            // A work that is named within, and its author, made nothing here.
            $sort = $field->get('a');
            if ($sort === null || ($field->tag[0] === '7' && $field->get('t') !== null)) {
                continue;
            }
            $sort = (string) $clean(trim($sort . ' ' . implode(' ', $field->all('b')), ' ,'));
            $role = MarcRoles::of($field, $field->tag[0] === '1' ? self::main($format) : 'contributor');
            $person = [
                'name' => $field->get('9') ?? Name::fromSorted($sort)->natural(),
                'sort' => $sort,
                'role' => $role,
            ];
            in_array($person, $people, true) || ($people[] = $person);
        }

        return $people;
    }

    /** What who stands first has done, where the record does not say (common practice, no source). */
    private static function main(Format $format): string
    {
        return match ($format) {
            Format::Music => 'artist',
            Format::Video => 'director',
            default => 'author',
        };
    }

    /**
     * @param  callable(string|null): (string|null)  $clean
     * @return array{string|null, string|null} as it is traced (830, 800), else as it stands (490)
     */
    private static function series(MarcRecord $of, callable $clean): array
    {
        foreach (['830' => 'a', '800' => 't', '810' => 't', '490' => 'a'] as $tag => $code) {
            foreach ($of->fields((string) $tag) as $field) {
                $name = $clean($field->get($code));
                if ($name !== null && $name !== '') {
                    return [$name, self::number($field->get('v'))];
                }
            }
        }

        return [null, null];
    }

    /** "bk. 2.", "vol. 3", "no. 12": the number in it. */
    private static function number(?string $text): ?string
    {
        return preg_match('/\d+(?:[.,]\d+)?/', (string) $text, $m) === 1 ? str_replace(',', '.', $m[0]) : null;
    }

    /**
     * @param  callable(string|null): (string|null)  $clean
     * @return list<string> headings with their subdivisions, and terms
     */
    private static function subjects(MarcRecord $of, callable $clean): array
    {
        $subjects = [];
        foreach ($of->fields('600', '610', '611', '630', '648', '650', '651', '653', '655') as $field) {
            if ($field->tag === '653') {
                array_push($subjects, ...$field->all('a'));

                continue;
            }
            $parts = [implode(' ', $field->all('abcdqt')), ...$field->all('vxyz')];
            $subjects[] = implode(' — ', array_filter(array_map($clean, $parts)));
        }
        $fiction = $of->control('008')[33] ?? '|';
        if (($of->leader[6] ?? '') === 'a' && Genre::isFiction($subjects) === null && $subjects !== []) {
            match (true) {
                in_array($fiction, ['1', 'f', 'j', 'h'], true) => ($subjects[] = 'Fiction'),
                default => null,
            };
        }

        return $subjects;
    }

    private static function language(MarcRecord $of): ?string
    {
        foreach ($of->fields('041') as $field) {
            if ($field->second === '7' && $field->get('2') === 'rfc5646') {
                return $field->get('a');
            }
        }

        return MarcLanguages::tag(substr($of->control('008'), 35, 3)) ??
            MarcLanguages::tag(substr($of->values('041', 'a')[0] ?? '', 0, 3));
    }

    /** 008/22, where the format has it; else what 521 says in our words. */
    private static function audience(MarcRecord $of, Format $format): ?Audience
    {
        foreach ($of->fields('521') as $field) {
            $said = $field->first === '8' ? Audience::tryFrom((string) $field->get('a')) : null;
            if ($said !== null) {
                return $said;
            }
        }

        return $format === Format::Magazine
            ? null
            : match ($of->control('008')[22] ?? '|') {
                'a', 'b', 'c', 'j' => Audience::Child,
                'd' => Audience::Teen,
                'e', 'f', 'g' => Audience::Adult,
                default => null,
            };
    }

    private static function ages(MarcRecord $of): ?AgeRange
    {
        foreach ($of->fields('521') as $field) {
            $text = $field->first === '1' ? (string) $field->get('a') : '';
            if (preg_match('/(\d{1,2})?\s*[-–]\s*(\d{1,2})?/u', $text, $m) === 1 && trim($m[0], ' -–') !== '') {
                return AgeRange::parse($m[0]);
            }
        }

        return null;
    }

    private static function level(MarcRecord $of): ?float
    {
        foreach ($of->fields('521') as $field) {
            $number = $field->first === '0' ? self::number($field->get('a')) : null;
            if ($number !== null && (float) $number <= 20) {
                return (float) $number;
            }
        }

        return null;
    }

    /** The summary; where there is none, the contents. */
    private static function description(MarcRecord $of): ?string
    {
        $text = '';
        foreach ($of->fields('520') as $field) {
            $text .= ($text === '' || $field->get('9') === '+' ? '' : "\n\n") . implode(' ', $field->all('ab'));
        }

        $text = $text === '' ? implode("\n\n", $of->values('505', 'agrt')) : $text;

        return $text === '' ? null : $text;
    }

    private static function published(MarcRecord $of, string $code): ?string
    {
        foreach ([['264', '1'], ['260', null], ['264', null]] as [$tag, $second]) {
            foreach ($of->fields($tag) as $field) {
                $value = $second === null || $field->second === $second ? $field->get($code) : null;
                if ($value !== null) {
                    return $value;
                }
            }
        }

        return null;
    }

    /** A whole date or a month where 264 has one, else the year of 008 or the first in 264: "[2019?]", "c1987". */
    private static function date(MarcRecord $of): ?string
    {
        $said = (string) self::published($of, 'c');
        $exact = PublicationDate::read($said);
        if ($exact !== null && $exact === $said) {
            return $exact;
        }
        $year = substr($of->control('008'), 7, 4);
        if (preg_match('/^\d{4}$/D', $year) === 1 && $year !== '0000' && $year !== '9999') {
            return PublicationDate::read($year);
        }

        return preg_match('/\d{4}/', $said, $m) === 1 ? PublicationDate::read($m[0]) : null;
    }

    /** "xii, 340 pages", "1 online resource (340 pages)", "12 tracks": the largest number before what is counted. */
    private static function many(MarcRecord $of): int
    {
        $text = implode(' ', $of->values('300', 'a'));
        preg_match_all('/(\d{1,9})\s*(?:unnumbered\s+)?(?:p\b|p\.|pages|páginas|tracks?|songs?|pistas)/iu', $text, $m);

        return $m[1] === [] ? 0 : min(self::MOST_OF_ANYTHING, max(array_map(intval(...), $m[1])));
    }

    /** 306, else "(9 hr., 27 min.)" or "09:27:00" in 300. */
    private static function seconds(MarcRecord $of): ?int
    {
        $sum = 0;
        foreach ($of->values('306', 'a') as $time) {
            if (preg_match('/^(\d{2})(\d{2})(\d{2})$/D', $time, $m) === 1) {
                $sum += 3600 * (int) $m[1] + 60 * (int) $m[2] + (int) $m[3];
            }
        }
        if ($sum > 0) {
            return $sum;
        }
        $text = implode(' ', $of->values('300', 'a'));
        if (preg_match('/(\d{1,3}):(\d{2}):(\d{2})/', $text, $m) === 1) {
            return 3600 * (int) $m[1] + 60 * (int) $m[2] + (int) $m[3];
        }
        foreach (['h(?:ou)?rs?' => 3600, 'min(?:utes?|s)?' => 60, 'sec(?:onds?|s)?' => 1] as $unit => $each) {
            preg_match("/(\d{1,4})\s*{$unit}\b/iu", $text, $m) === 1 && ($sum += $each * (int) $m[1]);
        }

        return $sum > 0 ? $sum : null;
    }

    /** @return array<string, list<string>> */
    private static function accessibility(MarcRecord $of): array
    {
        $said = [];
        foreach ($of->fields('532') as $field) {
            if ($field->first === '8' && preg_match('/^(access\w+): (.+)$/Dsu', (string) $field->get('a'), $m) === 1) {
                $said[$m[1]] = explode('; ', $m[2]);
            }
        }

        return $said;
    }
}
