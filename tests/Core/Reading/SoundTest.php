<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Reading\Media\Loudness;
use FigPorch\Core\Reading\Media\Sound;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

final class SoundTest extends TestCase
{
    /**
     * EBU Tech 3341, test signals 1 and 2: a stereo sine of 1000 Hz at -23 and -33 dBFS reads -23 and -33 LUFS, each
     * within 0.1 LU; 3: only what passes the gate counts. Values from memory.
     *
     * @return array<string, array{string, float}>
     */
    public static function signals(): array
    {
        $tone = fn(float $dbfs, int $seconds): string => sprintf(
            'aevalsrc=exprs=%1$.8F*sin(2*PI*1000*t)|%1$.8F*sin(2*PI*1000*t):s=48000:d=%2$d',
            10 ** ($dbfs / 20),
            $seconds,
        );

        return [
            'test signal 1' => [$tone(-23.0, 20), -23.0],
            'test signal 2' => [$tone(-33.0, 20), -33.0],
            'test signal 3' => [
                "{$tone(-36.0, 10)}[a];{$tone(-23.0, 60)}[b];{$tone(-36.0, 10)}[c];[a][b][c]concat=n=3:v=0:a=1",
                -23.0,
            ],
        ];
    }

    #[DataProvider('signals')]
    public function test_loudness_is_what_the_ebu_says_of_its_test_signals(string $signal, float $lufs): void
    {
        $loudness = $this->measure($signal)->loudness;
        $this->assertNotNull($loudness);
        $this->assertEqualsWithDelta($lufs, $loudness->integrated, 0.1);
    }

    public function test_silence_is_found_and_is_not_loud(): void
    {
        $sound = $this->measure(
            'sine=d=3[a];anullsrc=d=2:r=44100:cl=mono[b];sine=d=3[c];anullsrc=d=0.4:r=44100:cl=mono[d];sine=d=3[e];' .
                'anullsrc=d=1:r=44100:cl=mono[f];[a][b][c][d][e][f]concat=n=6:v=0:a=1',
        );
        $this->assertCount(2, $sound->silences, 'a breath is none');
        $this->assertEqualsWithDelta([3.0, 5.0, 11.4, 12.4], array_merge(...$sound->silences), 0.05);
        $this->assertNotNull($sound->loudness);

        // Nothing at all, and a noise below the gate of -70 LUFS, which has a peak.
        foreach (['anullsrc=d=3', 'anoisesrc=a=0.00006:d=3'] as $nothing) {
            $sound = $this->measure($nothing);
            $this->assertNull($sound->loudness, $nothing);
            $this->assertEqualsWithDelta([[0.0, 3.0]], $sound->silences, 0.05);
        }
    }

    /** @return array<string, array{float, float, float}> LUFS, dBTP, dB */
    public static function gains(): array
    {
        return [
            'as it should be' => [-18.0, -3.0, 0.0],
            'loud is softer' => [-9.5, 0.5, -8.5],
            'soft is louder' => [-23.0, -9.0, 5.0],
            'never above the ceiling' => [-23.0, -4.0, 3.0],
            'its peak is there already' => [-23.0, 0.5, 0.0],
            'noise is not lifted' => [-45.0, -30.0, 12.0],
        ];
    }

    #[DataProvider('gains')]
    public function test_gain(float $lufs, float $peak, float $gain): void
    {
        $this->assertEqualsWithDelta($gain, (new Loudness($lufs, $peak))->gain(), 1e-9);
    }

    public function test_several_as_one_are_between_the_softest_and_the_loudest_and_as_loud_as_what_plays_longest(): void
    {
        $of = fn(float $one, float $other): array => [
            [new Loudness($one, $one + 10), 60.0],
            [new Loudness($other, $other + 10), 60.0],
        ];
        $this->assertEqualsWithDelta(-20.0, Loudness::ofAll($of(-20.0, -20.0))?->integrated, 1e-9);
        // Twice the energy is 3.01 dB.
        $this->assertEqualsWithDelta(-20.0 - 3.0103, Loudness::ofAll($of(-20.0, -90.0))?->integrated, 1e-3);
        $this->assertSame(-5.0, Loudness::ofAll($of(-15.0, -30.0))?->peak);
        $this->assertNull(Loudness::ofAll([]));
    }

    public function test_what_cannot_be_read_is_nothing(): void
    {
        foreach (['', 'Conversion failed!', 'silence_end: 3 | silence_duration: 3', "\0\xff"] as $log) {
            $this->assertEquals(new Sound(null, []), Sound::read($log));
        }
    }

    private function measure(string $signal): Sound
    {
        $process = new Process([
            'ffmpeg',
            '-hide_banner',
            '-nostats',
            '-nostdin',
            '-filter_complex',
            str_contains($signal, ';') ? "{$signal},pan=stereo|c0=c0|c1=c0" : $signal,
            '-f',
            'wav',
            'pipe:1',
        ]);
        $process->mustRun();
        $listen = new Process(
            ['ffmpeg', '-hide_banner', '-nostats', '-i', 'pipe:0', '-af', Sound::filters(), '-f', 'null', '-'],
            input: $process->getOutput(),
        );
        $listen->mustRun();

        return Sound::read($listen->getErrorOutput());
    }
}
