<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use DOMDocument;
use DOMElement;
use FigPorch\Core\Exchange\UnreadableRecord;
use FigPorch\Core\Exchange\XmlElements;
use Generator;
use Normalizer;
use XMLWriter;

/** MARCXML (loc.gov/standards/marcxml), a record at a time, however many there are. */
final class MarcXml
{
    public const NAMESPACE = 'http://www.loc.gov/MARC21/slim';

    public const HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<collection xmlns=\"" . self::NAMESPACE . "\">\n";

    /** Control characters but three (XML 1.0, 2.2). */
    private const NONE_OF_XML = '/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u';

    public const RECORD = 'record';

    public const FOOT = "</collection>\n";

    public static function write(MarcRecord $of): string
    {
        $xml = new XMLWriter();
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->startElement('record');
        $xml->writeElement('leader', $of->leader);
        foreach ($of->fields as $field) {
            if ($field->value !== null) {
                $xml->startElement('controlfield');
                $xml->writeAttribute('tag', $field->tag);
                $xml->text(self::plain($field->value));
                $xml->endElement();

                continue;
            }
            $xml->startElement('datafield');
            $xml->writeAttribute('tag', $field->tag);
            $xml->writeAttribute('ind1', $field->first);
            $xml->writeAttribute('ind2', $field->second);
            foreach ($field->subfields as [$code, $value]) {
                $xml->startElement('subfield');
                $xml->writeAttribute('code', $code);
                $xml->text(self::plain($value));
                $xml->endElement();
            }
            $xml->endElement();
        }
        $xml->endElement();

        return $xml->outputMemory();
    }

    /**
     * @param  string  $file  a path
     * @return Generator<MarcRecord>
     *
     * @throws UnreadableRecord where it is no XML any more; what came before is good
     */
    public static function read(string $file): Generator
    {
        foreach (XmlElements::of($file, [self::RECORD]) as $record) {
            yield self::record($record);
        }
    }

    /** A record by itself, as write() gives it. */
    public static function one(string $xml): MarcRecord
    {
        $document = new DOMDocument();
        if (!@$document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT) || $document->documentElement === null) {
            throw new UnreadableRecord('it is no XML.');
        }

        return self::record($document->documentElement);
    }

    public static function record(DOMElement $record): MarcRecord
    {
        $leader = '';
        $fields = [];
        foreach ($record->childNodes as $node) {
            if (!($node instanceof DOMElement)) {
                continue;
            }
            switch ($node->localName) {
                case 'leader':
                    $leader = $node->textContent;
                    break;
                case 'controlfield':
                    $fields[] = MarcField::control($node->getAttribute('tag'), self::composed($node->textContent));
                    break;
                case 'datafield':
                    $subfields = [];
                    foreach ($node->childNodes as $subfield) {
                        if ($subfield instanceof DOMElement && $subfield->localName === 'subfield') {
                            $subfields[] = [$subfield->getAttribute('code'), self::composed($subfield->textContent)];
                        }
                    }
                    $fields[] = new MarcField(
                        $node->getAttribute('tag'),
                        $subfields,
                        self::indicator($node, 'ind1'),
                        self::indicator($node, 'ind2'),
                    );
                    break;
            }
        }

        return new MarcRecord($leader, $fields);
    }

    /** Letters and their marks in one where there is one (Unicode, NFC): MARC-8 has them apart. */
    private static function composed(string $text): string
    {
        $composed = Normalizer::normalize($text, Normalizer::FORM_C);

        return is_string($composed) ? $composed : $text;
    }

    private static function indicator(DOMElement $field, string $which): string
    {
        $said = $field->getAttribute($which);

        return $said === '' ? ' ' : $said[0];
    }

    private static function plain(string $text): string
    {
        return (string) preg_replace(self::NONE_OF_XML, '', $text);
    }
}
