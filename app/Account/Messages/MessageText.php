<?php

declare(strict_types=1);

namespace App\Account\Messages;

use Illuminate\Support\HtmlString;
use League\CommonMark\Environment\Environment;
use League\CommonMark\Event\DocumentParsedEvent;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\CommonMark\Node\Block\Heading;
use League\CommonMark\Extension\CommonMark\Node\Inline\Image;
use League\CommonMark\MarkdownConverter;
use League\CommonMark\Node\NodeIterator;

/**
 * A small Markdown (CommonMark 0.31): no HTML of one's own, no pictures, which could tell others who reads them, no
 * headings above what a page has round it.
 */
final class MessageText
{
    private const DEEPEST = 20;

    /** Below the heading of a message, which is the second. */
    private const HEADING = 3;

    /** @param  int  $heading  the level at which its headings begin, below what the page has above it */
    public static function html(string $markdown, int $heading = self::HEADING): HtmlString
    {
        $environment = new Environment([
            'html_input' => 'escape',
            'allow_unsafe_links' => false,
            'max_nesting_level' => self::DEEPEST,
        ]);
        $environment->addExtension(new CommonMarkCoreExtension());
        $environment->addEventListener(
            DocumentParsedEvent::class,
            fn(DocumentParsedEvent $event) => self::simplify($event, $heading),
        );

        return new HtmlString((new MarkdownConverter($environment))->convert($markdown)->getContent());
    }

    /** As a mail or a device says it. */
    public static function plain(string $markdown): string
    {
        $html = (string) self::html($markdown);

        return trim(html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8'));
    }

    private static function simplify(DocumentParsedEvent $event, int $heading): void
    {
        $nodes = iterator_to_array($event->getDocument()->iterator(NodeIterator::FLAG_BLOCKS_ONLY), false);
        foreach ($nodes as $node) {
            $node instanceof Heading && $node->setLevel($heading);
        }
        $pictures = array_filter(
            iterator_to_array($event->getDocument()->iterator(), false),
            fn(object $node): bool => $node instanceof Image,
        );
        foreach ($pictures as $picture) {
            foreach (iterator_to_array($picture->children(), false) as $child) {
                $picture->insertBefore($child);
            }
            $picture->detach();
        }
    }
}
