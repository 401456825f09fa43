<?php

declare(strict_types=1);

namespace FigPorch\Demo\Media;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** A tune of plucked strings (Karplus and Strong, 1983), its notes drawn from a scale by its name. */
final class Tune
{
    private const RATE = 22_050;

    /** Steps of a pentatonic scale above its ground, in semitones. */
    private const SCALE = [0, 2, 4, 7, 9, 12, 14, 16];

    /** @return array{string, float} MP3 and its seconds */
    public static function sound(string $name, bool $slow, int $bars = 12): array
    {
        $random = new Randomizer(new Xoshiro256StarStar(hash('sha256', $name, true)));
        $beat = (int) (self::RATE * ($slow ? 0.62 : 0.34));
        $samples = array_fill(0, $beat * ($bars * 4 + 4), 0.0);
        $ground = 146.83 * 2 ** ($random->getInt(0, 5) / 12);
        $at = 3;
        for ($n = 0; $n < $bars * 4; $n++) {
            $at = max(0, min(count(self::SCALE) - 1, $at + $random->getInt(-2, 2)));
            $last = $n >= $bars * 4 - 2;
            self::pluck(
                samples: $samples,
                from: $n * $beat,
                hertz: 2 * $ground * 2 ** (self::SCALE[$last ? 0 : $at] / 12),
                length: $beat * 3,
                loud: 0.5,
                random: $random,
            );
            if ($n % 4 === 0) {
                self::pluck(
                    samples: $samples,
                    from: $n * $beat,
                    hertz: ($ground * 2 ** ([0, 7, 5, 0][intdiv($n, 4) % 4] / 12)) / 2,
                    length: $beat * 4,
                    loud: 0.45,
                    random: $random,
                );
            }
        }
        $loudest = max(0.01, max([0.0, ...array_map(abs(...), $samples)]));
        $data = pack('v*', ...array_map(fn(float $s): int => (int) (($s / $loudest) * 28_000) & 0xffff, $samples));
        $file = (string) tempnam(sys_get_temp_dir(), 'tune');
        file_put_contents(
            $file,
            'RIFF' .
                pack('V', 36 + strlen($data)) .
                'WAVEfmt ' .
                pack('VvvVVvv', 16, 1, 1, self::RATE, self::RATE * 2, 2, 16) .
                'data' .
                pack('V', strlen($data)) .
                $data,
        );

        return Encoder::mp3($file, '56k');
    }

    /** @param  array<int, float>  $samples */
    private static function pluck(
        array &$samples,
        int $from,
        float $hertz,
        int $length,
        float $loud,
        Randomizer $random,
    ): void {
        $period = max(2, (int) round(self::RATE / $hertz));
        $string = [];
        for ($i = 0; $i < $period; $i++) {
            $string[] = ($random->getInt(-1000, 1000) / 1000) * $loud;
        }
        $end = min($length, count($samples) - $from);
        for ($i = 0; $i < $end; $i++) {
            $k = $i % $period;
            $samples[$from + $i] += $string[$k];
            $string[$k] = 0.4985 * ($string[$k] + $string[($k + 1) % $period]);
        }
    }
}
