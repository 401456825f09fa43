<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use DOMDocument;
use DOMElement;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Price;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Exchange\Onix\OnixReader;
use FigPorch\Core\Exchange\Onix\OnixTags;
use FigPorch\Core\Exchange\Onix\OnixUpdate;
use FigPorch\Core\Exchange\UnreadableRecord;
use FigPorch\Core\Exchange\XmlElements;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ReflectionClass;

/** ONIX for Books 3.0 (EDItEUR), from memory: products as publishers write them, with invented titles. */
final class OnixTest extends TestCase
{
    private const EBOOK = <<<'XML'
    <Product>
        <RecordReference>lantern.example.0001</RecordReference>
        <NotificationType>03</NotificationType>
        <ProductIdentifier><ProductIDType>01</ProductIDType><IDValue>LL-1</IDValue></ProductIdentifier>
        <ProductIdentifier><ProductIDType>15</ProductIDType><IDValue>9780306406157</IDValue></ProductIdentifier>
        <DescriptiveDetail>
            <ProductComposition>00</ProductComposition><ProductForm>ED</ProductForm>
            <ProductFormDetail>E101</ProductFormDetail>
            <Collection><CollectionType>10</CollectionType>
                <CollectionSequence><CollectionSequenceType>02</CollectionSequenceType>
                    <CollectionSequenceNumber>2</CollectionSequenceNumber></CollectionSequence>
                <TitleDetail><TitleType>01</TitleType><TitleElement><TitleElementLevel>02</TitleElementLevel>
                    <TitlePrefix>The</TitlePrefix><TitleWithoutPrefix>Quay</TitleWithoutPrefix></TitleElement>
                </TitleDetail></Collection>
            <TitleDetail><TitleType>13</TitleType><TitleElement><TitleElementLevel>01</TitleElementLevel>
                <TitleText>Another</TitleText></TitleElement></TitleDetail>
            <TitleDetail><TitleType>01</TitleType><TitleElement><TitleElementLevel>01</TitleElementLevel>
                <TitleText>Low &amp; High Water</TitleText><Subtitle>A ledger</Subtitle></TitleElement></TitleDetail>
            <Contributor><SequenceNumber>2</SequenceNumber><ContributorRole>B06</ContributorRole>
                <NamesBeforeKey>Wren</NamesBeforeKey><KeyNames>Ash</KeyNames></Contributor>
            <Contributor><SequenceNumber>1</SequenceNumber><ContributorRole>A01</ContributorRole>
                <ContributorRole>A12</ContributorRole><PersonName>Tamsin Ebbing</PersonName>
                <PersonNameInverted>Ebbing, Tamsin</PersonNameInverted></Contributor>
            <Contributor><SequenceNumber>3</SequenceNumber><ContributorRole>Z99</ContributorRole>
                <CorporateName>The Harbour Office</CorporateName></Contributor>
            <EditionNumber>2</EditionNumber>
            <Language><LanguageRole>02</LanguageRole><LanguageCode>eng</LanguageCode></Language>
            <Language><LanguageRole>01</LanguageRole><LanguageCode>ger</LanguageCode></Language>
            <Extent><ExtentType>00</ExtentType><ExtentValue>312</ExtentValue><ExtentUnit>03</ExtentUnit></Extent>
            <Extent><ExtentType>22</ExtentType><ExtentValue>4</ExtentValue><ExtentUnit>19</ExtentUnit></Extent>
            <Subject><SubjectSchemeIdentifier>93</SubjectSchemeIdentifier><SubjectCode>FB</SubjectCode>
                <SubjectHeadingText>Fiction: general</SubjectHeadingText></Subject>
            <Subject><SubjectSchemeIdentifier>20</SubjectSchemeIdentifier>
                <SubjectHeadingText>tides; harbours ;tides</SubjectHeadingText></Subject>
            <Subject><SubjectSchemeIdentifier>10</SubjectSchemeIdentifier><SubjectCode>FIC000000</SubjectCode></Subject>
            <Audience><AudienceCodeType>01</AudienceCodeType><AudienceCodeValue>03</AudienceCodeValue></Audience>
            <AudienceRange><AudienceRangeQualifier>17</AudienceRangeQualifier>
                <AudienceRangePrecision>03</AudienceRangePrecision><AudienceRangeValue>12</AudienceRangeValue>
                <AudienceRangePrecision>04</AudienceRangePrecision><AudienceRangeValue>15</AudienceRangeValue>
            </AudienceRange>
        </DescriptiveDetail>
        <CollateralDetail>
            <TextContent><TextType>02</TextType><ContentAudience>00</ContentAudience><Text>Short.</Text></TextContent>
            <TextContent><TextType>03</TextType><ContentAudience>00</ContentAudience><Text textformat="05"><p>Twice a
                <em>year</em> the sea goes out.</p><p>And &amp; in.</p></Text></TextContent>
            <Prize><PrizeName>Low Tide Prize</PrizeName><PrizeYear>2020</PrizeYear></Prize>
        </CollateralDetail>
        <PublishingDetail>
            <Imprint><ImprintName>Gull</ImprintName></Imprint>
            <Publisher><PublishingRole>01</PublishingRole><PublisherName>Gullwing Press</PublisherName></Publisher>
            <PublishingDate><PublishingDateRole>11</PublishingDateRole><Date>20010101</Date></PublishingDate>
            <PublishingDate><PublishingDateRole>01</PublishingDateRole><Date dateformat="01">202103</Date>
            </PublishingDate>
        </PublishingDetail>
        <RelatedMaterial>
            <RelatedWork><WorkRelationCode>01</WorkRelationCode><WorkIdentifier><WorkIDType>11</WorkIDType>
                <IDValue>A02 2009 0000 0004-6</IDValue></WorkIdentifier><WorkIdentifier><WorkIDType>01</WorkIDType>
                <IDTypeName>Gullwing</IDTypeName><IDValue>W 7</IDValue></WorkIdentifier><WorkIdentifier>
                <WorkIDType>01</WorkIDType><IDValue>of nobody</IDValue></WorkIdentifier></RelatedWork>
            <RelatedWork><WorkRelationCode>02</WorkRelationCode><WorkIdentifier><WorkIDType>11</WorkIDType>
                <IDValue>A02 2009 0000 0005-8</IDValue></WorkIdentifier></RelatedWork>
        </RelatedMaterial>
        <ProductSupply><SupplyDetail>
            <SupplyDate><SupplyDateRole>08</SupplyDateRole><Date>20210301</Date></SupplyDate>
            <Price><PriceType>01</PriceType><PriceAmount>12.50</PriceAmount><CurrencyCode>EUR</CurrencyCode></Price>
        </SupplyDetail></ProductSupply>
    </Product>
    XML;

    private static function element(string $xml): DOMElement
    {
        $document = new DOMDocument();
        $document->loadXML($xml);

        return $document->documentElement ?? self::fail('It is no XML.');
    }

    private static function read(string $xml): Record
    {
        $read = OnixReader::read(self::element($xml));

        return $read instanceof Record ? $read : self::fail('It is a part of one.');
    }

    /** @return string the same with short tags */
    private static function short(string $xml): string
    {
        $constants = (new ReflectionClass(OnixTags::class))->getConstants();
        $short = array_flip($constants['SHORT']);
        foreach ($constants['COMPOSITES'] as $composite) {
            $short[$composite] = strtolower($composite);
        }

        return (string) preg_replace_callback(
            '~(</?)([A-Z][A-Za-z]+)~',
            fn(array $m): string => $m[1] . ($short[$m[2]] ?? strtolower($m[2])),
            $xml,
        );
    }

    public function test_a_product_is_a_record(): void
    {
        $record = self::read(self::EBOOK);
        $this->assertSame(
            [
                'isbn:9780306406157',
                Format::Ebook,
                'Low & High Water',
                'A ledger',
                312,
                '2',
                'de',
                Audience::Teen,
                "Twice a year the sea goes out.\n\nAnd & in.",
                'Gullwing Press',
                '2021-03',
                ['9780306406157'],
                ['Fiction: general', 'tides', 'harbours'],
                'The Quay',
                2.0,
                ['Low Tide Prize 2020'],
                [12, 15],
                ['istc:A022009000000046', 'gullwing:W 7'],
                ['1250 EUR'],
                '2021-03-01',
                [
                    ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'author'],
                    ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'illustrator'],
                    ['name' => 'Wren Ash', 'sort' => 'Ash, Wren', 'role' => 'translator'],
                    ['name' => 'The Harbour Office', 'sort' => 'The Harbour Office', 'role' => 'contributor'],
                ],
            ],
            [
                $record->key,
                $record->format,
                $record->name,
                $record->subtitle,
                $record->extent,
                $record->edition,
                $record->language,
                $record->audience,
                $record->description,
                $record->publisher,
                $record->published,
                $record->identifiers,
                $record->subjects,
                $record->series,
                $record->seriesPosition,
                $record->awards,
                [$record->ages?->from, $record->ages?->to],
                $record->works,
                array_map(fn(Price $of): string => "{$of->cents} {$of->currency}", $record->prices),
                $record->availableFrom,
                $record->contributors,
            ],
        );
    }

    public function test_short_tags_say_the_same(): void
    {
        $short = self::short(self::EBOOK);
        $this->assertStringContainsString('<b203>Low &amp; High Water</b203>', $short);
        $this->assertStringNotContainsString('TitleText', $short);
        $this->assertEquals(self::read(self::EBOOK), self::read($short));
    }

    public function test_every_element_that_is_read_has_its_short_name(): void
    {
        $source = implode(
            '',
            array_map(file_get_contents(...), glob(__DIR__ . '/../../../core/Exchange/Onix/*.php') ?: []),
        );
        preg_match_all('~(?:text|all|texts)\([\'"](?:\{\$detail\}/)?([A-Za-z/]+)[\'"]\)~', $source, $asked);
        $names = array_unique(explode('/', implode('/', $asked[1])));
        $constants = (new ReflectionClass(OnixTags::class))->getConstants();
        $this->assertGreaterThan(50, count($names));
        $this->assertSame([], array_values(array_diff($names, $constants['SHORT'], $constants['COMPOSITES'])));
    }

    /** @return iterable<string, array{string, string, int}> unit, value, seconds */
    public static function durations(): iterable
    {
        yield 'hours' => ['04', '9', 32400];
        yield 'minutes' => ['05', '90', 5400];
        yield 'seconds' => ['06', '77', 77];
        yield 'HHHMM' => ['15', '00130', 5400];
        yield 'HHHMMSS' => ['16', '0013015', 5415];
        yield 'unknown' => ['99', '5', 0];
    }

    #[DataProvider('durations')]
    public function test_what_is_heard_has_its_length(string $unit, string $value, int $seconds): void
    {
        $xml = str_replace(
            [
                'E101',
                '<Extent><ExtentType>22</ExtentType><ExtentValue>4</ExtentValue><ExtentUnit>19</ExtentUnit></Extent>',
            ],
            [
                'A103',
                "<Extent><ExtentType>09</ExtentType><ExtentValue>{$value}</ExtentValue>" .
                "<ExtentUnit>{$unit}</ExtentUnit></Extent>",
            ],
            self::EBOOK,
        );
        $record = self::read($xml);
        $this->assertSame([Format::Audiobook, $seconds], [$record->format, $record->extent]);
    }

    public function test_a_description_that_was_escaped_once_more_is_prose_all_the_same(): void
    {
        $html = '&lt;p&gt;Out &amp;amp; in.&lt;br/&gt;Again&lt;/p&gt;&lt;script&gt;';
        $xml = preg_replace('~<Text textformat="05">.*?</Text>~s', "<Text>{$html}</Text>", self::EBOOK);
        $this->assertSame("Out & in.\n\nAgain", self::read((string) $xml)->description);
    }

    /** @return iterable<string, array{string, string, string}> what stands there, what is put instead, and why */
    public static function refused(): iterable
    {
        yield 'taken back' => ['<NotificationType>03', '<NotificationType>05', 'takes it back'];
        yield 'on paper' => ['<ProductForm>ED', '<ProductForm>BC', 'not lent here'];
        yield 'without a title' => ['<TitleType>01', '<TitleType>10', 'no title'];
        yield 'without a number' => [
            '<RecordReference>lantern.example.0001</RecordReference>',
            '',
            'neither an ISBN nor a reference',
        ];
    }

    #[DataProvider('refused')]
    public function test_what_cannot_be_taken_in_says_why(string $from, string $to, string $why): void
    {
        $xml = str_replace($from, $to, self::EBOOK);
        $this->expectException(UnreadableRecord::class);
        $this->expectExceptionMessage($why);
        self::read($why === 'neither an ISBN nor a reference' ? str_replace('9780306406157', 'none', $xml) : $xml);
    }

    public function test_a_part_that_is_changed_says_what_came_and_nothing_else(): void
    {
        $update = OnixReader::read(
            self::element(
                '<Product><RecordReference>1</RecordReference><NotificationType>04</NotificationType>
                <CollateralDetail><TextContent><TextType>03</TextType><Text>Anew.</Text></TextContent></CollateralDetail>
                <ProductSupply><SupplyDetail><Price><PriceAmount>9.99</PriceAmount><CurrencyCode>EUR</CurrencyCode></Price>
                </SupplyDetail></ProductSupply></Product>',
            ),
        );
        $this->assertInstanceOf(OnixUpdate::class, $update);
        $this->assertSame(['onix:1', ['description' => 'Anew.']], [$update->key, $update->texts]);
        $this->assertEquals([new Price(999, 'EUR')], $update->prices);
        $this->expectExceptionMessage('whose part is it?');
        OnixReader::read(self::element('<product><a002>04</a002><publishingdetail/></product>'));
    }

    /** List 58 (price types), List 166 (dates of supply), from memory. */
    public function test_for_how_much_and_from_when_on_it_is_had(): void
    {
        $supply = fn(string $of): Record => self::read(
            (string) preg_replace(
                '~<SupplyDetail>.*</SupplyDetail>~s',
                "<SupplyDetail>{$of}</SupplyDetail>",
                self::EBOOK,
            ),
        );
        $price = fn(string $type, string $amount, string $currency): string => "<Price><PriceType>{$type}</PriceType>
            <PriceAmount>{$amount}</PriceAmount><CurrencyCode>{$currency}</CurrencyCode></Price>";
        $record = $supply(
            $price('02', '24.00', 'EUR') .
                $price('05', '15.995', 'EUR') .
                $price('01', '20.00', 'EUR') .
                $price('01', '18', 'GBP') .
                $price('99', '1.00', 'USD') .
                $price('01', 'free', 'CHF') .
                '<SupplyDate><SupplyDateRole>08</SupplyDateRole><Date>20270101</Date></SupplyDate>
                <SupplyDate><SupplyDateRole>02</SupplyDateRole><Date dateformat="00">20270301</Date></SupplyDate>',
        );
        $this->assertEquals([new Price(1600, 'EUR'), new Price(1800, 'GBP')], $record->prices);
        $this->assertSame('2027-03-01', $record->availableFrom);
        $this->assertSame([[], null], [$supply('')->prices, $supply('')->availableFrom]);
        $odd = $supply('<SupplyDate><SupplyDateRole>08</SupplyDateRole><Date>20271301</Date></SupplyDate>');
        $this->assertNull($odd->availableFrom);
    }

    /** @return iterable<string, array{string, bool}> a document type, and whether it is taken */
    public static function documentTypes(): iterable
    {
        yield 'by its address' => ['<!DOCTYPE ONIXMessage SYSTEM "http://lantern.example/onix.dtd">', true];
        yield 'a file of the machine' => ['<!DOCTYPE ONIXMessage [<!ENTITY e SYSTEM "file:///etc/hostname">]>', false];
        // Each of ten of the one before: a thousand million in a line.
        $laughs = '<!ENTITY e0 "ha">';
        for ($n = 1; $n < 10; $n++) {
            $laughs .= "<!ENTITY e{$n} \"" . str_repeat('&e' . ($n - 1) . ';', 10) . '">';
        }
        yield 'without end' => ["<!DOCTYPE ONIXMessage [{$laughs}<!ENTITY e \"&e9;\">]>", false];
    }

    #[DataProvider('documentTypes')]
    public function test_entities_of_a_file_are_neither_fetched_nor_put_in(string $type, bool $isTaken): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'onix');
        $product = $isTaken ? self::EBOOK : str_replace('A ledger', 'A &e; ledger', self::EBOOK);
        file_put_contents($file, "{$type}<ONIXMessage>{$product}</ONIXMessage>");
        $isTaken || $this->expectExceptionMessage('entities of its own');
        $this->assertCount(1, iterator_to_array(XmlElements::of($file, OnixReader::PRODUCTS), false));
    }
}
