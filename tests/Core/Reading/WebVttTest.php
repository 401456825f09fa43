<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Reading\Media\WebVtt;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class WebVttTest extends TestCase
{
    /**
     * Blocks as w3.org/TR/webvtt1 §4.1 describes them: a note, a style, cues with and without names, hours and
     * settings.
     */
    private const CAPTIONS =
        "WEBVTT - tides\r\n\r\nNOTE made by hand\r\n\r\nSTYLE\r\n::cue { color: red " .
        "}\r\n\r\n1\r\n00:00.000 --> 00:04.000 align:start\r\nTwice a day\r\nthe sea comes.\r\n\r\n00:00:09.999 " .
        "--> 00:00:12.000\r\nAnd goes.\r\n\r\nthird\r\n00:10.000 --> 00:15.000\r\nThe moon.\r\n\r\n01:00:00.500 " .
        "--> 01:00:02.000\r\nAn hour on.\r\n";

    #[Test]
    public function the_captions_of_an_excerpt_say_nothing_of_what_follows(): void
    {
        $cut = WebVtt::upTo(self::CAPTIONS, 10.0);
        self::assertStringStartsWith(
            "WEBVTT - tides\n\nNOTE made by hand\n\nSTYLE\n::cue { color: red }\n\n1\n00:00.000 --> ",
            $cut,
        );
        self::assertStringContainsString("Twice a day\nthe sea comes.", $cut);
        self::assertStringContainsString('And goes.', $cut);
        self::assertStringNotContainsString('The moon.', $cut);
        self::assertStringNotContainsString('An hour on.', $cut);
        self::assertStringContainsString('An hour on.', WebVtt::upTo(self::CAPTIONS, 3601));
    }
}
