<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

/** Captions as text (w3.org/TR/webvtt1 §4). */
final class WebVtt
{
    /**
     * The captions of a beginning: what is said after it stays out. Blocks that are no cues — notes, styles, regions
     * — stay.
     */
    public static function upTo(string $vtt, float $seconds): string
    {
        $blocks = preg_split('/\n{2,}/', str_replace(["\r\n", "\r"], "\n", trim($vtt))) ?: [];

        return implode(
            "\n\n",
            array_filter($blocks, fn(string $block): bool => (self::start($block) ?? 0.0) < $seconds),
        ) . "\n";
    }

    /** When a cue begins, in seconds; null for what is no cue. */
    private static function start(string $block): ?float
    {
        return preg_match('/^(?:(\d{2,}):)?([0-5]\d):([0-5]\d\.\d{3})[ \t]+-->/m', $block, $m) === 1
            ? 3600 * (float) $m[1] + 60 * (float) $m[2] + (float) $m[3]
            : null;
    }
}
