<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMElement;
use DOMNode;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** Contents and page list, from the navigation document (EPUB 3.3 §7) or else the NCX of EPUB 2. */
final class NavigationReader
{
    /**
     * A publication without contents is poor but readable; so is one whose contents are broken.
     *
     * @return array{contents: list<NavPoint>, pages: list<NavPoint>}
     */
    public static function read(Archive $archive, ?string $navPath, ?string $ncxPath): array
    {
        foreach ([[$navPath, self::fromNav(...)], [$ncxPath, self::fromNcx(...)]] as [$path, $reader]) {
            try {
                if ($path !== null) {
                    return $reader(Xml::parse($archive->read($path), $path), $path);
                }
            } catch (UnreadablePublication $broken) {
                if ($broken->reason === Reason::Entities) {
                    throw $broken;
                }
            }
        }

        return ['contents' => [], 'pages' => []];
    }

    /** @return array{contents: list<NavPoint>, pages: list<NavPoint>} */
    private static function fromNav(DOMNode $document, string $path): array
    {
        $lists = ['toc' => [], 'page-list' => []];
        foreach (array_keys($lists) as $type) {
            $list =
                Xml::find("//x:nav[contains(concat(' ', @epub:type, ' '), ' {$type} ')]/x:ol", $document)[0] ?? null;
            $lists[$type] = $list === null ? [] : self::navList($list, $path);
        }

        return ['contents' => $lists['toc'], 'pages' => $lists['page-list']];
    }

    /** @return list<NavPoint> */
    private static function navList(DOMElement $list, string $path): array
    {
        $points = [];
        foreach (Xml::find('x:li', $list) as $item) {
            $label = Xml::find('x:a|x:span', $item)[0] ?? null;
            $below = Xml::find('x:ol', $item)[0] ?? null;
            if ($label !== null) {
                $points[] = new NavPoint(
                    Xml::text($label),
                    self::target($path, $label->getAttribute('href')),
                    $below === null ? [] : self::navList($below, $path),
                );
            }
        }

        return $points;
    }

    /** @return array{contents: list<NavPoint>, pages: list<NavPoint>} */
    private static function fromNcx(DOMNode $document, string $path): array
    {
        $map = Xml::find('//ncx:navMap', $document)[0] ?? null;
        $pages = Xml::find('//ncx:pageList', $document)[0] ?? null;

        return [
            'contents' => $map === null ? [] : self::ncxPoints($map, 'ncx:navPoint', $path),
            'pages' => $pages === null ? [] : self::ncxPoints($pages, 'ncx:pageTarget', $path),
        ];
    }

    /** @return list<NavPoint> */
    private static function ncxPoints(DOMElement $parent, string $name, string $path): array
    {
        $points = [];
        foreach (Xml::find($name, $parent) as $point) {
            $label = Xml::find('ncx:navLabel', $point)[0] ?? null;
            $content = Xml::find('ncx:content', $point)[0] ?? null;
            $points[] = new NavPoint(
                $label === null ? '' : Xml::text($label),
                self::target($path, $content?->getAttribute('src') ?? ''),
                self::ncxPoints($point, $name, $path),
            );
        }

        return $points;
    }

    private static function target(string $base, string $href): ?string
    {
        $path = $href === '' ? null : Href::resolve($base, $href);

        return $path === null ? null : $path . Href::fragment($href);
    }
}
