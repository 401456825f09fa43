<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

/**
 * How loud a recording is, as EBU R 128 measures it (ITU-R BS.1770-4), and by how much it is made louder or softer so
 * that all are heard alike. Values and limits from memory of EBU R 128 and AES TD1008.
 */
final readonly class Loudness
{
    /** LUFS: what AES TD1008 advises for speech that is sent to devices. */
    public const TARGET = -18.0;

    /** dBTP: the highest true peak that EBU R 128 permits; nothing is lifted above it. */
    public const CEILING = -1.0;

    /** dB: who recorded so softly has as much noise as voice. Common practice, no source. */
    public const MOST = 12.0;

    /**
     * @param  float  $integrated  in LUFS, over the whole
     * @param  float  $peak  in dBTP, its highest true peak
     */
    public function __construct(public float $integrated, public float $peak) {}

    /** In dB: above 0 it is made louder. What is loud is made as soft as need be. */
    public function gain(): float
    {
        $wanted = self::TARGET - $this->integrated;

        return $wanted <= 0 ? $wanted : max(0.0, min($wanted, self::MOST, self::CEILING - $this->peak));
    }

    /**
     * Of several as one, by their energy and how long they play: tracks of an album keep what they are to one another.
     *
     * @param  list<array{self, float}>  $parts  with their seconds
     * @return self|null null where nothing is heard in any of them
     */
    public static function ofAll(array $parts): ?self
    {
        $seconds = array_sum(array_column($parts, 1));
        if ($parts === [] || $seconds <= 0) {
            return null;
        }
        $energy = array_sum(array_map(fn(array $p): float => $p[1] * 10 ** ($p[0]->integrated / 10), $parts));

        return new self(10 * log10($energy / $seconds), max(array_map(fn(array $p): float => $p[0]->peak, $parts)));
    }
}
