<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use DOMElement;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SeriesPosition;
use FigPorch\Core\Catalogue\WorkIdentifier;
use FigPorch\Core\Exchange\Marc\MarcLanguages;
use FigPorch\Core\Exchange\UnreadableRecord;
use InvalidArgumentException;

/**
 * A product of ONIX for Books 3.0 (EDItEUR), with reference names or short tags, as a catalogue record. Code lists are
 * from memory.
 */
final class OnixReader
{
    /** The element of each, by reference names and short. */
    public const PRODUCTS = ['Product', 'product'];

    /** List 1: a product that is taken back; a part of a record. */
    private const DELETED = '05';

    private const PARTIAL = '04';

    /** @throws UnreadableRecord */
    public static function read(DOMElement $product): Record|OnixUpdate
    {
        $of = new OnixElement($product);
        $detail = 'DescriptiveDetail';
        $notification = $of->text('NotificationType');
        if ($notification === self::DELETED) {
            throw new UnreadableRecord(
                'the publisher takes it back. Nothing is taken out by a file: end its licences.',
            );
        }
        if ($of->all($detail) === []) {
            return $notification === self::PARTIAL
                ? self::update($of)
                : throw new UnreadableRecord('it does not say what it is (DescriptiveDetail).');
        }
        [$name, $subtitle, $part] = self::title($of);
        if ($name === null) {
            throw new UnreadableRecord('it has no title.');
        }
        $format =
            self::format($of) ??
            throw new UnreadableRecord('“:name” is of a form that is not lent here.', ['name' => $name]);
        $identifiers = self::identifiers($of);
        $key =
            self::key($of) ??
            throw new UnreadableRecord('“:name” has neither an ISBN nor a reference by which to know it again.', [
                'name' => $name,
            ]);
        [$series, $position] = self::series($of);
        $ages = OnixReaders::ages($of);
        [$pages, $seconds] = OnixExtent::of($of);
        $edition = $of->text("{$detail}/EditionStatement") ?? $of->text("{$detail}/EditionNumber");
        try {
            return new Record(
                key: $key,
                format: $format,
                name: $name,
                contributors: OnixPeople::of($of),
                extent: $format === Format::Audiobook ? $seconds : $pages,
                subtitle: $subtitle,
                edition: $edition,
                language: self::language($of),
                audience: OnixReaders::audience($of) ?? ($ages?->audience() ?? Audience::Adult),
                description: self::description($of),
                publisher: self::publisher($of),
                published: self::published($of),
                identifiers: $identifiers,
                subjects: self::subjects($of),
                series: $series,
                seriesPosition: $series === null ? null : SeriesPosition::read($position ?? $part),
                awards: self::awards($of),
                ages: $ages,
                prices: OnixSupply::prices($of),
                availableFrom: OnixSupply::availableFrom($of),
                works: self::works($of),
            );
        } catch (InvalidArgumentException $problem) {
            throw new UnreadableRecord('“:name”: :problem', ['name' => $name, 'problem' => $problem->getMessage()]);
        }
    }

    /** What came of it; a block that did not come stays as it is. */
    private static function update(OnixElement $of): OnixUpdate
    {
        $key =
            self::key($of) ?? throw new UnreadableRecord('it has neither an ISBN nor a reference: whose part is it?');
        $texts = [];
        if ($of->all('CollateralDetail') !== []) {
            $texts += ['description' => self::description($of), 'awards' => implode("\n", self::awards($of))];
        }
        if ($of->all('PublishingDetail') !== []) {
            $texts += ['publisher' => self::publisher($of), 'published' => self::published($of)];
        }

        return new OnixUpdate(
            $key,
            array_map(strval(...), array_filter($texts, fn(?string $text): bool => $text !== null && $text !== '')),
            OnixSupply::prices($of),
            OnixSupply::availableFrom($of),
        );
    }

    private static function key(OnixElement $of): ?string
    {
        $isbn = array_values(array_filter(array_map(Isbn::parse(...), self::identifiers($of))))[0] ?? null;
        $reference = $of->text('RecordReference');

        return $isbn !== null ? "isbn:{$isbn->thirteen}" : ($reference === null ? null : "onix:{$reference}");
    }

    /** @return array{string|null, string|null, string|null} title, subtitle, number of the part */
    private static function title(OnixElement $of): array
    {
        foreach ($of->all('DescriptiveDetail/TitleDetail') as $detail) {
            // List 15: 01 is the distinctive title.
            if (in_array($detail->text('TitleType'), ['01', null], true)) {
                $part = null;
                foreach ($detail->all('TitleElement') as $element) {
                    $part ??= $element->text('PartNumber');
                    // List 149: 01 is the product itself.
                    if (in_array($element->text('TitleElementLevel'), ['01', null], true)) {
                        return [self::words($element), $element->text('Subtitle'), $part];
                    }
                }
            }
        }

        return [null, null, null];
    }

    private static function words(OnixElement $title): ?string
    {
        $apart = implode(' ', array_filter([$title->text('TitlePrefix'), $title->text('TitleWithoutPrefix')]));

        return $title->text('TitleText') ?? ($apart === '' ? null : $apart);
    }

    /** List 150 (form), 175 (detail) and 81 (content): what is delivered by the network, to be read or heard. */
    private static function format(OnixElement $of): ?Format
    {
        $form = (string) $of->text('DescriptiveDetail/ProductForm');
        $details = $of->texts('DescriptiveDetail/ProductFormDetail');
        $isHeard =
            in_array($of->text('DescriptiveDetail/PrimaryContentType'), ['01'], true) ||
            array_filter($details, fn(string $code): bool => $code[0] === 'A') !== [];

        return match (true) {
            in_array($form, ['AJ', 'AN', 'AO'], true) => Format::Audiobook,
            in_array($form, ['EA', 'EB', 'EC', 'ED'], true) => $isHeard ? Format::Audiobook : Format::Ebook,
            default => null,
        };
    }

    /** @return list<string> List 5: ISBN-13 (15), GTIN-13 (03), DOI (06), ISBN-10 (02) */
    private static function identifiers(OnixElement $of): array
    {
        $found = [];
        foreach ($of->all('ProductIdentifier') as $identifier) {
            $value = $identifier->text('IDValue');
            $isbn = $value === null ? null : Isbn::parse($value);
            $type = $identifier->text('ProductIDType');
            if ($value !== null && in_array($type, ['15', '03', '02'], true) && $isbn !== null) {
                $found[] = $isbn->thirteen;
            } elseif ($value !== null && $type === '06') {
                $found[] = "doi:{$value}";
            }
        }

        return array_values(array_unique($found));
    }

    /**
     * Of the works that it is a manifestation of (List 164: 01): ISTC (List 16: 11), DOI (06), ISBN-13 (15), and the
     * numbers of somebody who says who they are (01).
     *
     * @return list<string>
     */
    private static function works(OnixElement $of): array
    {
        $found = [];
        foreach ($of->all('RelatedMaterial/RelatedWork') as $related) {
            foreach ($related->text('WorkRelationCode') === '01' ? $related->all('WorkIdentifier') : [] as $work) {
                $value = $work->text('IDValue');
                $kind = match ($work->text('WorkIDType')) {
                    '11' => 'istc',
                    '06' => 'doi',
                    '15' => 'isbn',
                    '01' => $work->text('IDTypeName'),
                    default => null,
                };
                if ($value !== null && $kind !== null) {
                    $found[] = WorkIdentifier::of($kind, $value);
                }
            }
        }

        return array_values(array_unique($found));
    }

    private static function language(OnixElement $of): ?string
    {
        foreach ($of->all('DescriptiveDetail/Language') as $language) {
            // List 22: 01 is that of the text.
            if ($language->text('LanguageRole') === '01') {
                return MarcLanguages::tag((string) $language->text('LanguageCode'));
            }
        }

        return null;
    }

    /** @return array{string|null, string|null} name and number in it */
    private static function series(OnixElement $of): array
    {
        foreach ($of->all('DescriptiveDetail/Collection') as $collection) {
            $name = $number = null;
            foreach ($collection->all('TitleDetail/TitleElement') as $element) {
                // List 149: 02 is the collection.
                $name ??= $element->text('TitleElementLevel') === '02' ? self::words($element) : null;
                $number ??= $element->text('PartNumber');
            }
            if ($name !== null) {
                $number ??= $collection->text('CollectionSequence/CollectionSequenceNumber');

                return [$name, $number];
            }
        }

        return [null, null];
    }

    /** @return list<string> headings; keywords (List 27: 20) are parted by semicolons */
    private static function subjects(OnixElement $of): array
    {
        $subjects = [];
        foreach ($of->all('DescriptiveDetail/Subject') as $subject) {
            $heading = $subject->text('SubjectHeadingText');
            if ($heading !== null) {
                $isKeywords = $subject->text('SubjectSchemeIdentifier') === '20';
                array_push($subjects, ...array_map(trim(...), $isKeywords ? explode(';', $heading) : [$heading]));
            }
        }

        return $subjects;
    }

    /** List 153: 03 the description, 02 a short one. */
    private static function description(OnixElement $of): ?string
    {
        foreach (['03', '02'] as $type) {
            foreach ($of->all('CollateralDetail/TextContent') as $content) {
                foreach ($content->text('TextType') === $type ? $content->all('Text') : [] as $text) {
                    $prose = $text->prose();
                    if ($prose !== '') {
                        return $prose;
                    }
                }
            }
        }

        return null;
    }

    /** @return list<string> */
    private static function awards(OnixElement $of): array
    {
        $awards = [];
        foreach ($of->all('CollateralDetail/Prize') as $prize) {
            $name = $prize->text('PrizeName');
            $name === null || ($awards[] = trim("{$name} {$prize->text('PrizeYear')}"));
        }

        return array_values(array_unique($awards));
    }

    /** List 45: 01 the publisher. */
    private static function publisher(OnixElement $of): ?string
    {
        foreach ($of->all('PublishingDetail/Publisher') as $publisher) {
            if (in_array($publisher->text('PublishingRole'), ['01', null], true)) {
                return $publisher->text('PublisherName');
            }
        }

        return $of->text('PublishingDetail/Imprint/ImprintName');
    }

    /** List 163: 01 the date of publication; List 55: 20240517, 202405 or 2024. */
    private static function published(OnixElement $of): ?string
    {
        foreach ($of->all('PublishingDetail/PublishingDate') as $date) {
            if (
                $date->text('PublishingDateRole') === '01' &&
                preg_match('/^(\d{4})(\d{2})?(\d{2})?/', (string) $date->text('Date'), $m) === 1
            ) {
                return PublicationDate::read(implode('-', array_slice($m, 1)));
            }
        }

        return null;
    }
}
