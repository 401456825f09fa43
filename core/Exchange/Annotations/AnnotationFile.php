<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Annotations;

/** Annotations as files that other tools read. */
final class AnnotationFile
{
    /**
     * A collection in one page (w3.org/TR/annotation-model §5).
     *
     * @param  list<Annotation>  $annotations
     */
    public static function jsonLd(string $id, string $label, array $annotations): string
    {
        return json_encode(
            [
                '@context' => 'http://www.w3.org/ns/anno.jsonld',
                'id' => $id,
                'type' => 'AnnotationCollection',
                'label' => $label,
                'total' => count($annotations),
                'first' => [
                    'id' => "{$id}#page-1",
                    'type' => 'AnnotationPage',
                    'startIndex' => 0,
                    'items' => array_map(fn(Annotation $a): array => $a->toArray(), $annotations),
                ],
            ],
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        ) . "\n";
    }

    /**
     * A heading for each title, an entry for each place: what was highlighted as a quotation, then the note.
     *
     * @param  list<Annotation>  $annotations  by title
     */
    public static function markdown(string $label, array $annotations): string
    {
        $text = '# ' . self::plain($label) . "\n";
        $title = null;
        foreach ($annotations as $annotation) {
            if ($annotation->title !== $title) {
                $text .= "\n## " . self::plain($title = $annotation->title) . "\n\n";
            }
            $text .= '- ' . self::plain($annotation->label) . "\n";
            $quoted = $annotation->locator->text['highlight'] ?? '';
            foreach (['  > ' => $quoted, '  ' => $annotation->note] as $indent => $words) {
                $text .= $words === '' ? '' : "\n";
                foreach ($words === '' ? [] : explode("\n", $words) as $line) {
                    $text .= rtrim($indent . self::plain($line)) . "\n";
                }
            }
        }

        return $text;
    }

    /** What would be markup is text (CommonMark 0.31 §2.4). */
    private static function plain(string $line): string
    {
        $line = trim((string) preg_replace('/\s+/', ' ', $line));

        return (string) preg_replace(['/([\\\\`*_{}\[\]<>()#+!|~-])/', '/^(\d+)\./'], ['\\\\$1', '$1\\.'], $line);
    }
}
