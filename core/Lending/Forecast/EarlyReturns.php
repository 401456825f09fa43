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

    /** Titles at which the spread that was measured weighs as much as what is usual. */
    private const HALF_TITLES = 8;

    /** Loans of as many titles at which the share does: libraries' shares differ by about 0.1 (no source). */
    private const HALF_LOANS = 25;

    /**
     * @param  float  $share  of loans that come back early, over all titles
     * @param  float  $spread  correlation of two loans of one title: 0 where titles are alike
     * @param  int  $titles  on which the spread rests
     * @param  float  $loans  on which the share rests
     * @param  float  $together  how many loans a loan's title has, on average over loans
     */
    public function __construct(
        public float $share,
        public float $spread,
        public int $titles = 0,
        public float $loans = 0.0,
        public float $together = 1.0,
    ) {}

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
        $together = $loans > 0 ? $squares / $loans : 1.0;
        if ($titles < 2 || $loans <= $titles) {
            return new self(
                $loans > 0 ? ($early + 1) / ($loans + 2) : self::usual()->share,
                self::usual()->spread,
                $titles,
                $loans,
                $together,
            );
        }
        $share = ($early + 0.5) / ($loans + 1);
        $variance = $share * (1 - $share);
        $between = $earlySquares - $early ** 2 / $loans;
        $divisor = $variance * ($loans - $together - ($titles - 1));
        $spread = $divisor <= 0 ? 0.0 : ($between - $variance * ($titles - 1)) / $divisor;

        return new self($share, max(self::LEAST_SPREAD, min(self::MOST_SPREAD, $spread)), $titles, $loans, $together);
    }

    public function smoothedToward(self $wider): self
    {
        $trust = $this->titles / ($this->titles + self::HALF_TITLES);
        $spread = $trust * $this->spread + (1 - $trust) * $wider->spread;
        $tells = $this->ofAsManyTitles($spread);
        $trust = $tells / ($tells + self::HALF_LOANS);

        return new self(
            $trust * $this->share + (1 - $trust) * $wider->share,
            $spread,
            $this->titles,
            $this->loans,
            $this->together,
        );
    }

    /**
     * Loans of one title tell of each other: so many loans, each of another title, would tell as much of the share as
     * these (the design effect: L. Kish, Survey Sampling, 1965, ch. 5: from memory).
     */
    public function ofAsManyTitles(float $spread): float
    {
        return $this->loans / (1 + $spread * ($this->together - 1));
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
