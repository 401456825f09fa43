<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

/** The short tags of ONIX for Books 3.0 (EDItEUR) that are read here, by their reference names; from memory. */
final class OnixTags
{
    private const SHORT = [
        'a001' => 'RecordReference',
        'a002' => 'NotificationType',
        'b221' => 'ProductIDType',
        'b244' => 'IDValue',
        'b012' => 'ProductForm',
        'b333' => 'ProductFormDetail',
        'x416' => 'PrimaryContentType',
        'b202' => 'TitleType',
        'x409' => 'TitleElementLevel',
        'x410' => 'PartNumber',
        'b203' => 'TitleText',
        'b030' => 'TitlePrefix',
        'b031' => 'TitleWithoutPrefix',
        'b029' => 'Subtitle',
        'x481' => 'CollectionSequenceNumber',
        'b034' => 'SequenceNumber',
        'b035' => 'ContributorRole',
        'b036' => 'PersonName',
        'b037' => 'PersonNameInverted',
        'b039' => 'NamesBeforeKey',
        'b040' => 'KeyNames',
        'b047' => 'CorporateName',
        'b057' => 'EditionNumber',
        'b058' => 'EditionStatement',
        'b253' => 'LanguageRole',
        'b252' => 'LanguageCode',
        'b218' => 'ExtentType',
        'b219' => 'ExtentValue',
        'b220' => 'ExtentUnit',
        'b067' => 'SubjectSchemeIdentifier',
        'b070' => 'SubjectHeadingText',
        'b204' => 'AudienceCodeType',
        'b206' => 'AudienceCodeValue',
        'b074' => 'AudienceRangeQualifier',
        'b075' => 'AudienceRangePrecision',
        'b076' => 'AudienceRangeValue',
        'x426' => 'TextType',
        'd104' => 'Text',
        'g126' => 'PrizeName',
        'g127' => 'PrizeYear',
        'b291' => 'PublishingRole',
        'b081' => 'PublisherName',
        'b079' => 'ImprintName',
        'x448' => 'PublishingDateRole',
        'b306' => 'Date',
        'x454' => 'WorkRelationCode',
        'b201' => 'WorkIDType',
        'b233' => 'IDTypeName',
        'x461' => 'SupplyDateRole',
        'x462' => 'PriceType',
        'j151' => 'PriceAmount',
        'j152' => 'CurrencyCode',
    ];

    /** Composites, whose short name is the reference name in small letters. */
    private const COMPOSITES = [
        'Product',
        'ProductIdentifier',
        'DescriptiveDetail',
        'Collection',
        'CollectionSequence',
        'TitleDetail',
        'TitleElement',
        'Contributor',
        'Language',
        'Extent',
        'Subject',
        'Audience',
        'AudienceRange',
        'CollateralDetail',
        'TextContent',
        'Prize',
        'PublishingDetail',
        'Imprint',
        'Publisher',
        'PublishingDate',
        'RelatedMaterial',
        'RelatedWork',
        'WorkIdentifier',
        'ProductSupply',
        'SupplyDetail',
        'SupplyDate',
        'Price',
    ];

    /** @var array<string, string> */
    private static array $names = [];

    /** The reference name of an element, whichever of the two it has. */
    public static function reference(string $name): string
    {
        if (self::$names === []) {
            self::$names = self::SHORT;
            foreach (self::COMPOSITES as $composite) {
                self::$names[strtolower($composite)] = $composite;
            }
        }

        return self::$names[$name] ?? $name;
    }
}
