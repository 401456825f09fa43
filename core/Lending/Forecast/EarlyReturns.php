<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use FigPorch\Core\Lending\RandomVariates;
use Random\Randomizer;

/**
 * How much titles differ in how many of their loans come back early: the share of a title is drawn from a beta
 * distribution, which its own loans narrow (empirical Bayes; the moments of the beta-binomial distribution as in J. C.
 * Kleinman, Proportions with extraneous variance, JASA 68 (1973): from memory).
 */
final readonly class EarlyReturns
{
    /** Titles are taken to differ by a little at least, and never to be all one or all the other. */
    private const LEAST_SPREAD = 0.002;

    private const MOST_SPREAD = 0.6;

    /** Titles at which what was measured weighs as much as what is usual. */
    private const HALF_WEIGHT = 8;

    /**
     * @param  float  $share  of loans that come back early, over all titles
     * @param  float  $spread  correlation of two loans of one title: 0 where titles are alike
     * @param  int  $titles  on which this rests
     */
    public function __construct(public float $share, public float $spread, public int $titles = 0) {}

    /** Common practice, no source. */
    public static function usual(): self
    {
        return new self(0.7, 0.05);
    }

    /**
     * @param  int  $titles  with loans that are over
     * @param  float  $loans  all of them
     * @param  float  $squares  the sum of n² over titles with n loans
     * @param  float  $early  loans returned early
     * @param  float  $earlySquares  the sum of e²/n over titles, of whose n loans e came back early
     */
    public static function measured(int $titles, float $loans, float $squares, float $early, float $earlySquares): self
    {
        if ($titles < 2 || $loans <= $titles) {
            return new self(
                $loans > 0 ? ($early + 1) / ($loans + 2) : self::usual()->share,
                self::usual()->spread,
                $titles,
            );
        }
        $share = ($early + 0.5) / ($loans + 1);
        $variance = $share * (1 - $share);
        $between = $earlySquares - $early ** 2 / $loans;
        $divisor = $variance * ($loans - $squares / $loans - ($titles - 1));
        $spread = $divisor <= 0 ? 0.0 : ($between - $variance * ($titles - 1)) / $divisor;

        return new self($share, max(self::LEAST_SPREAD, min(self::MOST_SPREAD, $spread)), $titles);
    }

    public function smoothedToward(self $wider): self
    {
        $trust = $this->titles / ($this->titles + self::HALF_WEIGHT);

        return new self(
            $trust * $this->share + (1 - $trust) * $wider->share,
            $trust * $this->spread + (1 - $trust) * $wider->spread,
            $this->titles,
        );
    }

    /** @return array{float, float} the parameters of the beta distribution of a title's share */
    public function beta(?TitleUse $title): array
    {
        $weight = 1 / $this->spread - 1;

        return [
            $weight * $this->share + ($title->early ?? 0),
            $weight * (1 - $this->share) + (($title->loans ?? 0) - ($title->early ?? 0)),
        ];
    }

    /** A share that the title may have. */
    public function draw(?TitleUse $title, Randomizer $random): float
    {
        return RandomVariates::beta($random, ...$this->beta($title));
    }
}
