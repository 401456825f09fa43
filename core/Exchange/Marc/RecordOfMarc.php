<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Genre;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SeriesPosition;
use FigPorch\Core\Catalogue\WebLink;
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

    /**
     * @param  OpenTo|null  $webFor  what has an address (856) is a website, for these; else only what is a website
     *
     * @throws UnreadableRecord
     */
    public static function read(MarcRecord $of, ?OpenTo $webFor = null): Record
    {
        $of = ($of->leader[18] ?? ' ') === 'c' ? $of : $of->withoutPunctuation();
        $titles = $of->fields('245');
        $name = $titles === [] ? null : self::name($titles[0]);
        if ($name === null || $name === '') {
            throw new UnreadableRecord('it has no title (245 $a).');
        }
        if (MarcElsewhere::isOnDisc($of)) {
            throw new UnreadableRecord('“:name” is on a disc or a tape: only what is on paper can be shown.', [
                'name' => $name,
            ]);
        }
        $links = MarcElsewhere::links($of, $webFor);
        $format =
            self::format($of, $links !== [], $webFor !== null) ??
            throw new UnreadableRecord('“:name” is of a kind that is not lent here.', ['name' => $name]);
        $holdings = $format === Format::Paper ? MarcElsewhere::holdings($of) : [];
        if ($format === Format::Paper && $holdings === []) {
            throw new UnreadableRecord('“:name” is on paper, and the record does not say where it stands (852).', [
                'name' => $name,
            ]);
        }
        $identifiers = self::identifiers($of);
        [$series, $position] = self::series($of);
        $ages = MarcReaders::ages($of);
        $seconds = MarcExtent::seconds($of);
        $subjects = self::subjects($of);
        try {
            return new Record(
                key: self::key($of, $identifiers, $format, $links),
                format: $format,
                name: $name,
                contributors: MarcPeople::of($of, $format),
                extent: in_array($format, [Format::Audiobook, Format::Video], true)
                    ? $seconds ?? 0
                    : MarcExtent::many($of),
                subtitle: $titles[0]->get('b'),
                edition: $of->values('250', 'a')[0] ?? null,
                language: self::language($of),
                audience: MarcReaders::audience($of, $format) ?? ($ages?->audience() ?? Audience::Adult),
                description: self::description($of),
                publisher: self::published($of, 'b'),
                published: self::date($of),
                identifiers: $identifiers,
                subjects: $subjects,
                series: $series,
                seriesPosition: SeriesPosition::read($position),
                seconds: $format === Format::Music ? $seconds : null,
                accessibility: self::accessibility($of),
                awards: $of->values('586', 'a'),
                level: MarcReaders::level($of),
                ages: $ages,
                holdings: $holdings,
                links: $format === Format::Website ? $links : [],
                prices: MarcSupply::prices($of),
                availableFrom: MarcSupply::availableFrom($of),
                works: MarcWorks::of($of),
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableRecord('“:name”: :problem', ['name' => $name, 'problem' => $problem->getMessage()]);
        }
    }

    /** The title proper with number and name of a part. */
    private static function name(MarcField $title): ?string
    {
        $parts = [...$title->all('a'), ...$title->all('np')];

        return $parts === [] ? null : implode('. ', $parts);
    }

    private static function format(MarcRecord $of, bool $hasAddress, bool $isWebAnyway): ?Format
    {
        $isRead = in_array($of->leader[6] ?? ' ', ['a', 't', 'm'], true);
        // An integrating resource (leader, 7: i) is a website, a database, a loose-leaf work.
        $isSite = $isRead && ($of->leader[7] ?? ' ') === 'i' && !MarcElsewhere::isOnPaper($of);
        if ($hasAddress && ($isSite || ($isWebAnyway && !MarcElsewhere::isOnPaper($of)))) {
            return Format::Website;
        }
        if (MarcElsewhere::isOnPaper($of)) {
            return Format::Paper;
        }
        $type = $of->leader[6] ?? ' ';
        $content = $type === 'm' ? self::CONTENT[$of->values('336', 'b')[0] ?? ''] ?? null : null;
        $format = $content ?? (self::FORMATS[$type] ?? null);

        return $format === Format::Ebook && in_array($of->leader[7] ?? ' ', ['s', 'b', 'i'], true)
            ? Format::Magazine
            : $format;
    }

    /**
     * @param  list<string>  $identifiers
     * @param  list<WebLink>  $links
     */
    private static function key(MarcRecord $of, array $identifiers, Format $format, array $links): string
    {
        foreach ($of->values('035', 'a') as $own) {
            if (str_starts_with($own, MarcOfRecord::OURS)) {
                return substr($own, strlen(MarcOfRecord::OURS));
            }
        }
        // A record of a printed book names the ebook's number too, and the other way round.
        $kind = $format->isLent() ? '' : "{$format->value}:";
        foreach ($identifiers as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return "{$kind}isbn:{$isbn->thirteen}";
            }
        }
        $number = trim($of->control('001'));
        if ($number === '' && $format === Format::Website && $links !== []) {
            return $links[0]->key();
        }
        if ($number === '') {
            throw new UnreadableRecord('it has neither an ISBN (020) nor a number (001): nobody could know it again.');
        }

        return "{$kind}marc:" . trim($of->control('003')) . ":{$number}";
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

    /** @return array{string|null, string|null} as it is traced (830, 800), else as it stands (490) */
    private static function series(MarcRecord $of): array
    {
        foreach (['830' => 'a', '800' => 't', '810' => 't', '490' => 'a'] as $tag => $code) {
            foreach ($of->fields((string) $tag) as $field) {
                $name = $field->get($code);
                if ($name !== null && $name !== '') {
                    return [$name, MarcExtent::number($field->get('v'))];
                }
            }
        }

        return [null, null];
    }

    /** @return list<string> headings with their subdivisions, and terms */
    private static function subjects(MarcRecord $of): array
    {
        $subjects = [];
        foreach ($of->fields('600', '610', '611', '630', '648', '650', '651', '653', '655') as $field) {
            if ($field->tag === '653') {
                array_push($subjects, ...$field->all('a'));

                continue;
            }
            $parts = [implode(' ', $field->all('abcdqt')), ...$field->all('vxyz')];
            $subjects[] = implode(' — ', array_filter($parts));
        }
        // 008/33 of a book: fiction, novels, humour, short stories.
        $isBook = in_array(substr($of->leader, 6, 2), ['am', 'tm'], true);
        $form = $of->control('008')[33] ?? '|';
        if ($isBook && str_contains('1fhj', $form) && $subjects !== [] && Genre::isFiction($subjects) === null) {
            $subjects[] = 'Fiction';
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
