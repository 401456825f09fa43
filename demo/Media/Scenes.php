<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

/**
 * Short films of the Lantern Coast: a drawing for each sentence, held while it is spoken, with the sentence as a
 * caption.
 */
final class Scenes
{
    private const WIDTH = 640;

    private const HEIGHT = 360;

    /** Silence after each sentence, in seconds. */
    private const PAUSE = 0.7;

    /**
     * @return list<array{name: string, director: string, subjects: list<string>, description: string,
     *     scenes: list<array{string, string}>, episodes?: array<string, list<array{string, string}>>}> each scene: what
     *     is drawn, what is said; a series has its further episodes by name
     */
    public static function films(): array
    {
        return [
            [
                'name' => 'How the Lamp Is Lit',
                'director' => 'Isolde Marrick',
                'subjects' => ['Local history', 'Islands'],
                'description' =>
                    'An evening in the lighthouse at Cinder Point, from the first match to the first turn.',
                'scenes' => [
                    ['dusk', 'At Cinder Point the lamp is lit an hour before the sun goes.'],
                    ['tower', 'There are one hundred and nine steps, and the keeper counts them every time.'],
                    ['lamp', 'First the curtain is drawn back, so that the glass can warm.'],
                    ['lamp', 'Then the wick is trimmed, quite straight, and lit at one end.'],
                    ['beam', 'By the time the first boat has passed the bell, the light is turning.'],
                    ['night', 'It turns until morning. Nobody has ever seen it stop.'],
                ],
            ],
            [
                'name' => 'A Knot a Day',
                'director' => 'Tobias Fairlead',
                'subjects' => ['Boats and craft'],
                'description' => 'One knot in each episode, tied slowly, and what it is good for.',
                'episodes' => [
                    'The Hitch That Lets Go' => [
                        ['rope', 'Pass the rope over the rail, and let the end hang down.'],
                        ['loop', 'Take a bight of the end, and bring it up behind the rail.'],
                        ['knot', 'Put it through under the standing part, and pull.'],
                        ['boat', 'It holds until you take the end and ask for it back.'],
                    ],
                ],
                'scenes' => [
                    ['rope', 'Take the rope in your left hand, with an arm’s length to spare.'],
                    ['loop', 'Make a small loop, and let the end come up through it.'],
                    ['loop', 'Lead the end round behind the standing part.'],
                    ['knot', 'Now take it down through the loop again, and pull.'],
                    ['boat', 'It will hold a boat all night, and open with one thumb in the morning.'],
                ],
            ],
            [
                'name' => 'The Goats of Wick Island',
                'director' => 'Isolde Marrick',
                'subjects' => ['Animals', 'Islands'],
                'description' => 'Eleven goats, a chapel without a roof, and two tides a day.',
                'scenes' => [
                    ['island', 'Wick Island has a chapel with no roof, a spring, and eleven goats.'],
                    ['goat', 'Nobody remembers who brought them.'],
                    ['tide', 'Twice a year the sea goes out so far that one can walk across.'],
                    ['goat', 'The goats have never shown any wish to.'],
                    ['dusk', 'In the evening they stand on the wall and look at the town.'],
                ],
            ],
            [
                'name' => 'Two Tides',
                'director' => 'Tobias Fairlead',
                'subjects' => ['Weather', 'Navigation'],
                'description' => 'Why the water comes and goes twice a day, drawn with a bucket and two lamps.',
                'scenes' => [
                    ['tide', 'Twice a day the sea comes up the harbour wall, and twice a day it goes.'],
                    ['moon', 'The moon draws the water that is nearest to it.'],
                    ['moon', 'On the far side the water is left a little behind, and that makes the second hill.'],
                    ['tide', 'The land turns under both hills, and so there are two tides.'],
                    ['boat', 'The boats know it without being told.'],
                ],
            ],
        ];
    }

    /**
     * @param  list<array{string, string}>  $scenes
     * @return array{array{string, float}, string} the video with its seconds, and its captions as WebVTT
     */
    public static function make(array $scenes, string $seed): array
    {
        $work = sys_get_temp_dir() . '/scenes-' . getmypid();
        mkdir($work);
        [$list, $vtt, $sound, $at, $rate] = ["ffconcat version 1.0\n", "WEBVTT\n", '', 0.0, 16_000];
        foreach ($scenes as $n => [$drawn, $said]) {
            $wav = Speech::wav($said);
            $rate = unpack('V', (string) file_get_contents($wav, offset: 24, length: 4))[1] ?? $rate;
            $spoken = Encoder::seconds($wav);
            $sound .= substr((string) file_get_contents($wav), 44) . str_repeat("\0\0", (int) (self::PAUSE * $rate));
            unlink($wav);
            imagepng(self::draw($drawn, crc32($seed) + $n), "{$work}/{$n}.png");
            $list .= sprintf("file '%s'\nduration %.3F\n", "{$work}/{$n}.png", $spoken + self::PAUSE);
            $vtt .= "\n" . self::time($at) . ' --> ' . self::time($at + $spoken + 0.3) . "\n{$said}\n";
            $at += $spoken + self::PAUSE;
        }
        file_put_contents("{$work}/list", $list . sprintf("file '%s'\n", "{$work}/" . (count($scenes) - 1) . '.png'));
        file_put_contents(
            "{$work}/sound.wav",
            'RIFF' .
                pack('V', 36 + strlen($sound)) .
                'WAVEfmt ' .
                pack('VvvVVvv', 16, 1, 1, $rate, $rate * 2, 2, 16) .
                'data' .
                pack('V', strlen($sound)) .
                $sound,
        );
        Encoder::mp4("{$work}/list", "{$work}/sound.wav", "{$work}/film.mp4");
        $video = (string) file_get_contents("{$work}/film.mp4");
        array_map(unlink(...), glob("{$work}/*") ?: []);
        rmdir($work);

        return [[$video, $at], $vtt];
    }

    private static function time(float $seconds): string
    {
        return sprintf(
            '%02d:%02d:%06.3F',
            intdiv((int) $seconds, 3600),
            intdiv((int) $seconds, 60) % 60,
            fmod($seconds, 60),
        );
    }

    private static function draw(string $what, int $seed): \GdImage
    {
        $image = imagecreatetruecolor(self::WIDTH, self::HEIGHT);
        imageantialias($image, true);
        $dark = in_array($what, ['night', 'beam', 'moon', 'lamp'], true);
        $colour = fn(int $rgb): int => (int) imagecolorallocate(
            $image,
            max(0, ($rgb >> 16) & 255),
            max(0, ($rgb >> 8) & 255),
            max(0, $rgb & 255),
        );
        [$sky, $sea, $land, $light, $line] = $dark
            ? [$colour(0x17263a), $colour(0x10303a), $colour(0x0c1a20), $colour(0xf2c35b), $colour(0x9cc5c9)]
            : [$colour(0xf0ddbe), $colour(0x4f8590), $colour(0x5a4a3a), $colour(0xe2a32b), $colour(0x1f4b56)];
        imagefill($image, 0, 0, $sky);
        $horizon = $what === 'tide' ? 210 + ($seed % 40) : 230;
        imagefilledrectangle($image, 0, $horizon, self::WIDTH, self::HEIGHT, $sea);
        imagesetthickness($image, 3);
        for ($i = 0; $i < 6; $i++) {
            imagearc(
                $image,
                ($seed * 53 + $i * 131) % self::WIDTH,
                $horizon + 24 + $i * 18,
                90 + $i * 20,
                10,
                0,
                180,
                $line,
            );
        }
        match ($what) {
            'tower', 'lamp', 'beam', 'night' => self::tower($image, $land, $light, $what !== 'tower', $what === 'beam'),
            'goat' => self::goat($image, $land, $line, $seed),
            'island' => self::island($image, $land, $line),
            'moon' => imagefilledellipse($image, 470, 90, 110, 110, $light),
            'boat' => self::boat($image, $land, $line),
            'rope', 'loop', 'knot' => self::rope($image, $light, $land, $what),
            default => imagefilledellipse($image, 160 + ($seed % 300), $horizon - 20, 90, 90, $light),
        };

        return $image;
    }

    private static function tower(\GdImage $image, int $land, int $light, bool $lit, bool $beam): void
    {
        imagefilledpolygon($image, [0, 360, 0, 290, 150, 250, 330, 270, 420, 360], $land);
        imagefilledpolygon($image, [190, 262, 204, 100, 246, 100, 260, 266], $land);
        imagefilledrectangle($image, 206, 70, 244, 100, $lit ? $light : $land);
        $beam && imagefilledpolygon($image, [244, 80, 640, 20, 640, 150, 244, 92], $light);
        imagefilledpolygon($image, [198, 70, 225, 46, 252, 70], $land);
    }

    private static function goat(\GdImage $image, int $body, int $line, int $seed): void
    {
        $x = 150 + ($seed % 220);
        imagefilledrectangle($image, 0, 260, 640, 300, $line);
        imagefilledellipse($image, $x, 205, 130, 66, $body);
        imagefilledellipse($image, $x + 76, 168, 50, 36, $body);
        foreach ([-44, -22, 24, 46] as $leg) {
            imagefilledrectangle($image, $x + $leg, 220, $x + $leg + 9, 262, $body);
        }
        imagesetthickness($image, 6);
        imagearc($image, $x + 60, 146, 40, 40, 180, 300, $body);
    }

    private static function island(\GdImage $image, int $land, int $line): void
    {
        imagefilledellipse($image, 340, 250, 420, 90, $land);
        imagefilledrectangle($image, 300, 150, 400, 215, $line);
        imagefilledrectangle($image, 340, 180, 360, 215, $land);
        imagefilledpolygon($image, [300, 150, 300, 128, 318, 150], $line);
    }

    private static function boat(\GdImage $image, int $hull, int $sail): void
    {
        imagefilledpolygon($image, [220, 250, 420, 250, 380, 290, 250, 290], $hull);
        imagefilledrectangle($image, 314, 110, 320, 250, $hull);
        imagefilledpolygon($image, [326, 120, 326, 236, 400, 236], $sail);
        imagefilledpolygon($image, [308, 130, 308, 236, 256, 236], $sail);
    }

    private static function rope(\GdImage $image, int $rope, int $shade, string $what): void
    {
        foreach ([[$shade, 18], [$rope, 12]] as [$colour, $thick]) {
            imagesetthickness($image, $thick);
            imageline($image, 40, 180, $what === 'rope' ? 600 : 330, 180, $colour);
            $what !== 'rope' && imagearc($image, 380, 180, 150, 130, 0, 360, $colour);
            $what === 'knot' && imagearc($image, 320, 180, 90, 110, 0, 360, $colour);
            $what !== 'rope' && imageline($image, 330, 120, 560, 70, $colour);
        }
    }
}
