<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange;

use DOMDocument;
use DOMElement;
use Generator;
use XMLReader;

/** The elements of some names in an XML file, one after the other, however many there are. */
final class XmlElements
{
    /**
     * @param  string  $file  a path
     * @param  list<string>  $names  without their namespaces
     * @return Generator<DOMElement>
     *
     * @throws UnreadableRecord where it is no XML any more; what came before is good
     */
    public static function of(string $file, array $names): Generator
    {
        $was = libxml_use_internal_errors(true);
        $reader = new XMLReader();
        try {
            // Nothing is fetched: a document type by its address alone is looked past.
            if (!@$reader->open($file, null, LIBXML_NONET | LIBXML_COMPACT)) {
                throw new UnreadableRecord('the file cannot be read.');
            }
            while (@$reader->read()) {
                if ($reader->nodeType === XMLReader::DOC_TYPE && str_contains($reader->readOuterXml(), '<!ENTITY')) {
                    throw new UnreadableRecord('it brings entities of its own, which records do not need.');
                }
                if ($reader->nodeType === XMLReader::ELEMENT && in_array($reader->localName, $names, true)) {
                    // Of a document: an element of none cannot be written as text again.
                    $element = @$reader->expand(new DOMDocument());
                    // What is read ahead may be broken already: of half a record nothing is taken.
                    if ($element instanceof DOMElement && libxml_get_errors() === []) {
                        yield $element;
                    }
                }
            }
            $problem = libxml_get_errors()[0] ?? null;
            if ($problem !== null) {
                throw new UnreadableRecord('at line :line it is no XML: :problem', [
                    'line' => $problem->line,
                    'problem' => trim($problem->message),
                ]);
            }
        } finally {
            $reader->close();
            libxml_clear_errors();
            libxml_use_internal_errors($was);
        }
    }
}
