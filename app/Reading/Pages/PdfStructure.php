<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use LogicException;

/**
 * The structure of a PDF (ISO 32000-2, 14.7): a tree of elements, and which of them each mark on a page belongs to. It
 * is added to a file as a second revision (7.5.6).
 */
final class PdfStructure
{
    /** The element that all others are in. */
    public const DOCUMENT = 0;

    /** @var list<array{type: string, parent: int|null, alt: string, lang: string}> */
    private array $elements;

    /** @var array<int, list<int|array{int, int}>> by element: the elements in it, and pages and marks, as they come */
    private array $within = [];

    /** @var list<array{object: int, marks: list<int>}> by page: its object, and the element of each mark */
    private array $pages = [];

    public function __construct(string $lang)
    {
        $this->elements = [['type' => 'Document', 'parent' => null, 'alt' => '', 'lang' => $lang]];
    }

    /**
     * @param  string  $type  one of 14.8.4
     * @param  string  $alt  what is said in place of a picture
     * @param  string  $lang  where it is another than around it
     * @return int its number
     */
    public function add(string $type, int $parent, string $alt = '', string $lang = ''): int
    {
        $this->elements[] = ['type' => $type, 'parent' => $parent, 'alt' => $alt, 'lang' => $lang];

        return count($this->elements) - 1;
    }

    public function type(int $element): string
    {
        return $this->elements[$element]['type'];
    }

    public function parent(int $element): int
    {
        return $this->elements[$element]['parent'] ?? self::DOCUMENT;
    }

    /** @param  int  $object  the number of the page's object */
    public function beginPage(int $object): void
    {
        $this->pages[] = ['object' => $object, 'marks' => []];
    }

    /** How many have begun. */
    public function pages(): int
    {
        return count($this->pages);
    }

    /** @return int the number of a new mark, which is of the element, on the page that began last */
    public function mark(int $element): int
    {
        $page = count($this->pages) - 1;
        $mark = count($this->pages[$page]['marks']);
        $this->pages[$page]['marks'][] = $element;
        $this->within[$element][] = [$page, $mark];
        // An element comes into the one around it with the first of its marks.
        for ($of = $element; ($parent = $this->elements[$of]['parent']) !== null; $of = $parent) {
            if (in_array($of, $this->within[$parent] ?? [], true)) {
                break;
            }
            $this->within[$parent][] = $of;
        }

        return $mark;
    }

    /** A text string (7.9.2.2). */
    public static function text(string $text): string
    {
        return '<FEFF' . bin2hex(mb_convert_encoding($text, 'UTF-16BE', 'UTF-8')) . '>';
    }

    /**
     * @param  string  $file  a PDF as Dompdf writes it, with a plain table of references; its catalog is object 1
     * @return string the same with a second revision: the structure, and the catalog and pages that lead to it
     */
    public function addedTo(string $file): string
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
        $used = array_filter(
            array_keys($this->elements),
            fn(int $of): bool => $of === self::DOCUMENT || isset($this->within[$of]),
        );
        foreach ($used as $number) {
            $objects[$first + $number] = $this->element($number, $root, $first);
        }
        $objects[1] = self::extended(
            $file,
            1,
            "/MarkInfo << /Marked true >> /StructTreeRoot {$root} 0 R" .
                ' /Lang ' .
                self::text($this->elements[self::DOCUMENT]['lang']) .
                ' /ViewerPreferences << /DisplayDocTitle true >>',
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
