<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/** How the patrons of a library use loans and holds of one format, as measured from those that are over. */
final readonly class Habits
{
    /** Measured cases at which a library's own habits weigh as much as those of its consortium. */
    private const HALF_WEIGHT = 50;

    /**
     * @param  non-empty-array<string, LengthHabit>  $lengths  by the code of the loan length, such as "14d"
     * @param  Quantiles  $pickUp  share of the time a ready copy is kept until it is taken
     * @param  float  $missed  share of ready holds not taken in time
     */
    public function __construct(
        public array $lengths,
        public Quantiles $pickUp,
        public float $missed,
        public GivingUp $givingUp,
        public EarlyReturns $early,
        public int $holdsMeasured = 0,
    ) {}

    /** Where nothing has been measured yet: common practice, no source. */
    public static function unmeasured(): self
    {
        return new self(
            ['14d' => new LengthHabit(1.0, new Quantiles([0.05, 0.3, 0.55, 0.8, 1, 1, 1]), 0)],
            new Quantiles([0, 0.1, 0.2, 0.35, 0.55, 0.8, 1]),
            0.1,
            GivingUp::usual(),
            EarlyReturns::usual(),
        );
    }

    /** These habits, drawn toward those of a wider circle the more, the fewer cases they rest on. */
    public function smoothedToward(self $wider): self
    {
        $own = array_sum(array_map(fn(LengthHabit $l): int => $l->measured, $this->lengths));
        $trust = self::trust($own);
        $lengths = [];
        foreach (array_keys($this->lengths + $wider->lengths) as $code) {
            $mine = $this->lengths[$code] ?? null;
            $theirs = $wider->lengths[$code] ?? null;
            $lengths[$code] = new LengthHabit(
                $trust * ($mine->share ?? 0.0) + (1 - $trust) * ($theirs->share ?? 0.0),
                match (true) {
                    $mine === null => $theirs->kept ?? new Quantiles([1.0]),
                    $theirs === null => $mine->kept,
                    default => Quantiles::mixture($mine->kept, $theirs->kept, self::trust($mine->measured)),
                },
                $mine->measured ?? 0,
            );
        }
        $trust = self::trust($this->holdsMeasured);

        return new self(
            lengths: $lengths,
            pickUp: Quantiles::mixture($this->pickUp, $wider->pickUp, $trust),
            missed: $trust * $this->missed + (1 - $trust) * $wider->missed,
            givingUp: $this->givingUp->smoothedToward($wider->givingUp),
            early: $this->early->smoothedToward($wider->early),
            holdsMeasured: $this->holdsMeasured,
        );
    }

    private static function trust(int $measured): float
    {
        return $measured / ($measured + self::HALF_WEIGHT);
    }
}
