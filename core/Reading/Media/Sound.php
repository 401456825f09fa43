<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Media;

/** What was measured of a recording: how loud it is, and where it is silent. */
final readonly class Sound
{
    /** Softer than this is silence, in dBFS; and so many seconds of it are more than a breath. */
    public const SILENCE = -45;

    public const SILENT_FOR = 0.7;

    /** What ffmpeg's ebur128 says of a recording in which nothing passes its gate. */
    private const NOTHING = -70.0;

    /**
     * @param  Loudness|null  $loudness  null where nothing is heard
     * @param  list<array{float, float}>  $silences  from and to, in seconds, in order
     */
    public function __construct(public ?Loudness $loudness, public array $silences) {}

    /** The filters of ffmpeg whose words are read here. */
    public static function filters(): string
    {
        return 'ebur128=peak=true:framelog=verbose,silencedetect=noise=' . self::SILENCE . 'dB:d=' . self::SILENT_FOR;
    }

    /** @param  string  $log  what ffmpeg said with these filters */
    public static function read(string $log): self
    {
        $found = preg_match(
            '/Integrated loudness:\s+I:\s+(-?[\d.]+) LUFS.*?True peak:\s+Peak:\s+(-?[\d.]+|-inf) dBFS/s',
            $log,
            $m,
        );
        $isHeard = $found === 1 && (float) $m[1] > self::NOTHING && $m[2] !== '-inf';
        preg_match_all('/silence_(start|end): (-?[\d.]+)/', $log, $marks, PREG_SET_ORDER);
        $silences = [];
        $from = null;
        foreach ($marks as [, $which, $at]) {
            if ($which === 'start') {
                $from = max(0.0, (float) $at);
            } elseif ($from !== null) {
                $silences[] = [round($from, 2), round((float) $at, 2)];
                $from = null;
            }
        }

        return new self($isHeard ? new Loudness((float) $m[1], (float) $m[2]) : null, $silences);
    }
}
