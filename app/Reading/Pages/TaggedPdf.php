<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use DOMDocument;
use DOMElement;
use Dompdf\Adapter\CPDF;
use Dompdf\Dompdf;
use Dompdf\Frame;
use Dompdf\FrameDecorator\ListBullet;
use DOMText;
use Generator;
use LogicException;

/**
 * A PDF with its structure, which Dompdf does not write: headings, lists, tables, what pictures show, the language, so
 * that a screen reader reads it as what it is (ISO 32000-2: 14.6 marked content, 14.7 logical structure, 14.8 tagged
 * PDF). What is drawn is marked while it is drawn.
 */
final class TaggedPdf
{
    /**
     * Elements of HTML that are elements of the structure (14.8.4); what else there is belongs to the next around it.
     */
    private const ELEMENTS = [
        'h1' => 'H1',
        'h2' => 'H2',
        'h3' => 'H3',
        'h4' => 'H4',
        'h5' => 'H5',
        'h6' => 'H6',
        'p' => 'P',
        'pre' => 'P',
        'dt' => 'P',
        'dd' => 'P',
        'figcaption' => 'P',
        'blockquote' => 'BlockQuote',
        'section' => 'Sect',
        'article' => 'Sect',
        'div' => 'Div',
        'figure' => 'Div',
        'footer' => 'Div',
        'aside' => 'Div',
        'main' => 'Div',
        'header' => 'Div',
        'nav' => 'Div',
        'dl' => 'Div',
        'ul' => 'L',
        'ol' => 'L',
        'li' => 'LI',
        'table' => 'Table',
        'caption' => 'Caption',
        'thead' => 'THead',
        'tbody' => 'TBody',
        'tfoot' => 'TFoot',
        'tr' => 'TR',
        'th' => 'TH',
        'td' => 'TD',
        'img' => 'Figure',
    ];

    private const NUMBER = 'data-element';

    private readonly PdfStructure $structure;

    /** @var array<int, true> elements that a space must follow before more of their text */
    private array $broken = [];

    /** @var array<int, true> items of lists that have their number */
    private array $counted = [];

    /** @var array<int, int> the page on which the head of a table stands first */
    private array $headOn = [];

    private bool $inMark = false;

    /** @param  Dompdf  $pdf  loaded, and not yet set */
    public function __construct(private readonly Dompdf $pdf)
    {
        $document = $pdf->getDom();
        $this->structure = new PdfStructure($document->documentElement?->getAttribute('lang') ?? '');
        $this->number($document);
        $pdf->setCallbacks([
            ['event' => 'begin_page_render', 'f' => fn() => $this->beginPage()],
            ['event' => 'end_page_render', 'f' => fn() => $this->write('EMC')],
            ['event' => 'begin_frame', 'f' => fn(Frame $frame) => $this->beginFrame($frame)],
            ['event' => 'end_frame', 'f' => fn() => $this->endMark()],
        ]);
    }

    /** The file, once the pages are set. */
    public function output(): string
    {
        return $this->structure->addedTo((string) $this->pdf->output());
    }

    /** Each element of the structure has its number from here on; parts of one that pages divide keep it. */
    private function number(DOMDocument $document): void
    {
        foreach ($document->getElementsByTagName('*') as $node) {
            $node->removeAttribute(self::NUMBER);
            $lang = in_array($node->nodeName, ['html', 'body'], true) ? '' : $node->getAttribute('lang');
            $type = self::ELEMENTS[$node->nodeName] ?? ($lang === '' ? null : 'Span');
            $alt = $node->getAttribute('alt');
            if ($type === null || ($type === 'Figure' && trim($alt) === '')) {
                continue;
            }
            $number = $this->structure->add($type, self::numberOf($node->parentNode), $alt, $lang);
            // What an item of a list says is apart from what counts it.
            $number = $type === 'LI' ? $this->structure->add('LBody', $number) : $number;
            $node->setAttribute(self::NUMBER, (string) $number);
        }
    }

    private static function numberOf(?\DOMNode $node): int
    {
        for (; $node !== null; $node = $node->parentNode) {
            if ($node instanceof DOMElement && $node->hasAttribute(self::NUMBER)) {
                return (int) $node->getAttribute(self::NUMBER);
            }
        }

        return PdfStructure::DOCUMENT;
    }

    private function beginPage(): void
    {
        $this->structure->beginPage((int) $this->canvas()->get_cpdf()->currentPage);
        // What no mark is around is decoration.
        $this->write('/Artifact BMC');
    }

    private function beginFrame(Frame $frame): void
    {
        $node = $frame->get_node();
        if (in_array($frame->get_style()->visibility, ['hidden', 'collapse'], true) || $this->isRepeated($frame)) {
            return;
        }
        $element = self::elementOf($frame);
        if ($node->nodeName === 'br') {
            $this->broken[$element] = true;
        } elseif ($frame instanceof ListBullet) {
            $this->beginLabel($frame, $this->structure->parent($element));
        } elseif ($node instanceof DOMText && trim($node->data) !== '') {
            $this->beginMark($element, isset($this->broken[$element]) ? " {$node->data}" : null);
            unset($this->broken[$element]);
            // A space at which the text goes on in the next line is not drawn.
            if ((fn(): ?string => $this->trailingWs ?? null)->call($frame) !== null) {
                $this->broken[$element] = true;
            }
        } elseif ($this->structure->type($element) === 'Figure') {
            $this->beginMark($element);
        }
    }

    /** @param  int  $item  of a list; where pages divide it, it is counted once */
    private function beginLabel(ListBullet $bullet, int $item): void
    {
        $counts = !in_array($bullet->get_style()->list_style_type, ['disc', 'circle', 'square', 'none'], true);
        if ($counts && !isset($this->counted[$item])) {
            $this->counted[$item] = true;
            $this->beginMark($this->structure->add('Lbl', $item));
        }
    }

    private static function elementOf(Frame $frame): int
    {
        foreach (self::around($frame) as $node) {
            if ($node->hasAttribute(self::NUMBER)) {
                return (int) $node->getAttribute(self::NUMBER);
            }
        }

        return PdfStructure::DOCUMENT;
    }

    /** @return Generator<int, DOMElement> the elements that a frame stands in, the nearest first */
    private static function around(Frame $frame): Generator
    {
        do {
            $node = $frame->get_node();
            if ($node instanceof DOMElement) {
                yield $node;
            }
            /** @var Frame|null $frame at the root there is none */
            $frame = $frame->get_parent();
        } while ($frame !== null);
    }

    /** The head of a table is drawn again on each page that the table goes on to, and read once. */
    private function isRepeated(Frame $frame): bool
    {
        foreach (self::around($frame) as $node) {
            if ($node->nodeName === 'thead') {
                $number = (int) $node->getAttribute(self::NUMBER);
                $this->headOn[$number] ??= $this->structure->pages();

                return $this->headOn[$number] !== $this->structure->pages();
            }
        }

        return false;
    }

    /** @param  string|null  $text  to be read in place of what is drawn */
    private function beginMark(int $element, ?string $text = null): void
    {
        $mark = $this->structure->mark($element);
        $actual = $text === null ? '' : ' /ActualText ' . PdfStructure::text($text);
        $this->write("EMC\n/{$this->structure->type($element)} <</MCID {$mark}{$actual}>> BDC");
        $this->inMark = true;
    }

    private function endMark(): void
    {
        if ($this->inMark) {
            $this->write("EMC\n/Artifact BMC");
            $this->inMark = false;
        }
    }

    private function write(string $operators): void
    {
        $pdf = $this->canvas()->get_cpdf();
        $pdf->objects[$pdf->currentContents]['c'] .= "\n{$operators}";
    }

    private function canvas(): CPDF
    {
        $canvas = $this->pdf->getCanvas();

        return $canvas instanceof CPDF ? $canvas : throw new LogicException('Not written by Dompdf itself.');
    }
}
