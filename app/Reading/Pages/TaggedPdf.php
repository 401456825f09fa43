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
 * PDF). What is drawn is marked while it is drawn; the structure is added to the file as a second revision (7.5.6).
 */
final class TaggedPdf
{
    /** Elements of HTML that are elements of the structure (14.8.4); what else there is belongs to the next around it. */
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

    /** @var list<array{type: string, parent: int|null, alt: string, lang: string}> in the order of the text */
    private array $elements = [];

    /** @var array<int, list<int|array{int, int}>> by element: the numbers of those in it, and page and number of marks */
    private array $within = [];

    /** @var list<array{object: int, marks: list<int>}> by page: its object, and the element of each mark */
    private array $pages = [];

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
        $this->add('Document', null, lang: $document->documentElement?->getAttribute('lang') ?? '');
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
        return $this->withStructure((string) $this->pdf->output());
    }

    private function add(string $type, ?int $parent, string $alt = '', string $lang = ''): int
    {
        $this->elements[] = ['type' => $type, 'parent' => $parent, 'alt' => $alt, 'lang' => $lang];

        return count($this->elements) - 1;
    }

    /** Each element of the structure has its number from here on; parts of one that pages divide keep it. */
    private function number(DOMDocument $document): void
    {
        foreach ($document->getElementsByTagName('*') as $node) {
            $node->removeAttribute(self::NUMBER);
            $lang = $node->nodeName === 'html' ? '' : $node->getAttribute('lang');
            $type = self::ELEMENTS[$node->nodeName] ?? ($lang === '' ? null : 'Span');
            $alt = $node->getAttribute('alt');
            if ($type === null || ($type === 'Figure' && trim($alt) === '')) {
                continue;
            }
            $number = $this->add($type, self::numberOf($node->parentNode) ?? 0, $alt, $lang);
            // What an item of a list says is apart from what counts it.
            $number = $type === 'LI' ? $this->add('LBody', $number) : $number;
            $node->setAttribute(self::NUMBER, (string) $number);
        }
    }

    private static function numberOf(?\DOMNode $node): ?int
    {
        for (; $node !== null; $node = $node->parentNode) {
            if ($node instanceof DOMElement && $node->hasAttribute(self::NUMBER)) {
                return (int) $node->getAttribute(self::NUMBER);
            }
        }

        return null;
    }

    private function beginPage(): void
    {
        $this->pages[] = ['object' => (int) $this->canvas()->get_cpdf()->currentPage, 'marks' => []];
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
            $this->beginLabel($frame, $this->elements[$element]['parent'] ?? 0);
        } elseif ($node instanceof DOMText && trim($node->data) !== '') {
            $this->beginMark($element, isset($this->broken[$element]) ? " {$node->data}" : null);
            unset($this->broken[$element]);
            // A space at which the text goes on in the next line is not drawn.
            if ((fn(): ?string => $this->trailingWs ?? null)->call($frame) !== null) {
                $this->broken[$element] = true;
            }
        } elseif ($this->elements[$element]['type'] === 'Figure') {
            $this->beginMark($element);
        }
    }

    /** @param  int  $item  of a list; where pages divide it, it is counted once */
    private function beginLabel(ListBullet $bullet, int $item): void
    {
        $counts = !in_array($bullet->get_style()->list_style_type, ['disc', 'circle', 'square', 'none'], true);
        if ($counts && !isset($this->counted[$item])) {
            $this->counted[$item] = true;
            $this->beginMark($this->add('Lbl', $item));
        }
    }

    private static function elementOf(Frame $frame): int
    {
        foreach (self::around($frame) as $node) {
            if ($node->hasAttribute(self::NUMBER)) {
                return (int) $node->getAttribute(self::NUMBER);
            }
        }

        return 0;
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
                $this->headOn[$number] ??= count($this->pages);

                return $this->headOn[$number] !== count($this->pages);
            }
        }

        return false;
    }

    /** @param  string|null  $text  to be read in place of what is drawn */
    private function beginMark(int $element, ?string $text = null): void
    {
        $page = count($this->pages) - 1;
        $mark = count($this->pages[$page]['marks']);
        $this->pages[$page]['marks'][] = $element;
        $this->within[$element][] = [$page, $mark];
        // An element comes into the one around it when the first of it is drawn.
        for ($of = $element; ($parent = $this->elements[$of]['parent']) !== null; $of = $parent) {
            if (in_array($of, $this->within[$parent] ?? [], true)) {
                break;
            }
            $this->within[$parent][] = $of;
        }
        $actual = $text === null ? '' : ' /ActualText ' . self::text($text);
        $this->write("EMC\n/{$this->elements[$element]['type']} <</MCID {$mark}{$actual}>> BDC");
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

    /** A text string (7.9.2.2). */
    private static function text(string $text): string
    {
        return '<FEFF' . bin2hex(mb_convert_encoding($text, 'UTF-16BE', 'UTF-8')) . '>';
    }

    /** The file with a second revision: the structure, and the catalog and pages that lead to it. */
    private function withStructure(string $file): string
    {
        preg_match('~trailer\n<<\n/Size (\d+)\n(.*)>>\nstartxref\n(\d+)\n%%EOF\n$~s', $file, $end) === 1 ||
            throw new LogicException('Not the end that Dompdf writes.');
        [, $size, $trailer, $before] = $end;
        // The root of the structure, the tree from marks to elements, then the elements.
        [$root, $tree, $first] = [(int) $size, (int) $size + 1, (int) $size + 2];
        $objects = [
            $root => "<< /Type /StructTreeRoot /K {$first} 0 R /ParentTree {$tree} 0 R >>",
            $tree => '<< /Nums [' . $this->marks($first) . '] >>',
        ];
        $used = array_filter(array_keys($this->elements), fn(int $of): bool => $of === 0 || isset($this->within[$of]));
        foreach ($used as $number) {
            $objects[$first + $number] = $this->element($number, $root, $first);
        }
        $objects[1] = self::extended(
            $file,
            1,
            "/MarkInfo << /Marked true >> /StructTreeRoot {$root} 0 R" .
                " /Lang {$this->lang()} /ViewerPreferences << /DisplayDocTitle true >>",
        );
        foreach ($this->pages as $n => ['object' => $page]) {
            $objects[$page] = self::extended($file, $page, "/StructParents {$n} /Tabs /S");
        }
        ksort($objects);
        $table = '';
        foreach ($objects as $number => $object) {
            $table .= sprintf("%d 1\n%010d 00000 n \n", $number, strlen($file));
            $file .= "{$number} 0 obj\n{$object}\nendobj\n";
        }
        $size = 1 + max(array_keys($objects));

        return $file .
            "xref\n{$table}trailer\n<<\n/Size {$size}\n/Prev {$before}\n{$trailer}>>\nstartxref\n" .
            strlen($file) .
            "\n%%EOF\n";
    }

    private function lang(): string
    {
        return self::text($this->elements[0]['lang']);
    }

    /** Of each page, the element of each of its marks. */
    private function marks(int $first): string
    {
        $all = '';
        foreach ($this->pages as $n => ['marks' => $marks]) {
            $of = implode(' ', array_map(fn(int $element): string => $first + $element . ' 0 R', $marks));
            $all .= "{$n} [{$of}]\n";
        }

        return $all;
    }

    private function element(int $number, int $root, int $first): string
    {
        ['type' => $type, 'parent' => $parent, 'alt' => $alt, 'lang' => $lang] = $this->elements[$number];
        $kids = array_map(
            fn(int|array $of): string => is_int($of)
                ? $first + $of . ' 0 R'
                : "<< /Type /MCR /Pg {$this->pages[$of[0]]['object']} 0 R /MCID {$of[1]} >>",
            $this->within[$number] ?? [],
        );

        return "<< /Type /StructElem /S /{$type} /P " .
            ($parent === null ? $root : $first + $parent) .
            ' 0 R /K [' .
            implode(' ', $kids) .
            ']' .
            ($alt === '' ? '' : ' /Alt ' . self::text($alt)) .
            ($lang === '' ? '' : ' /Lang ' . self::text($lang)) .
            ($type === 'TH' ? ' /A << /O /Table /Scope /Column >>' : '') .
            ' >>';
    }

    /** An object of the file, a dictionary, with more in it. */
    private static function extended(string $file, int $number, string $more): string
    {
        preg_match("~\n{$number} 0 obj\n<<(.*?)>>\nendobj~s", $file, $found) === 1 ||
            throw new LogicException("There is no object {$number}.");

        return "<<{$found[1]}{$more} >>";
    }
}
