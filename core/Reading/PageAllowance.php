<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

/**
 * The pages that one loan may print or copy (rules §7): what is asked and what was already taken are counted once. A
 * page is what lies between its number less one and its number; of copied text the share of its page counts.
 */
final readonly class PageAllowance
{
    /** Of a page: what is nearer than that is the same. */
    private const SAME = 1e-6;

    /** @var list<array{float, float}> spans in order, with something between each and the next */
    public array $taken;

    /**
     * @param  int|null  $allowed  null for as many as one likes
     * @param  list<array{float|int, float|int}>  $taken  spans, where each begins and ends
     */
    public function __construct(public ?int $allowed, array $taken)
    {
        sort($taken);
        $spans = [];
        foreach ($taken as [$from, $until]) {
            $last = end($spans);
            if ($last !== false && $from <= $last[1] + self::SAME) {
                array_pop($spans);
                $spans[] = [$last[0], max($last[1], (float) $until)];
            } elseif ($until > $from) {
                $spans[] = [(float) $from, (float) $until];
            }
        }
        $this->taken = $spans;
    }

    /** How many pages more may be taken; null for as many as one likes. */
    public function left(): ?float
    {
        return $this->allowed === null ? null : max(0.0, $this->allowed - $this->pages());
    }

    /** What a span would take: pages of it that have not been taken yet. */
    public function price(float $from, float $until): float
    {
        $price = $this->with($from, $until)->pages() - $this->pages();

        // Sums of fractions are not to the last digit what they were.
        return $price <= self::SAME ? 0.0 : $price;
    }

    public function allows(float $from, float $until): bool
    {
        return $this->allowed === null || $this->price($from, $until) <= $this->left() + self::SAME;
    }

    /** Whether all of a span has been taken. */
    public function has(float $from, float $until): bool
    {
        return $this->price($from, $until) <= self::SAME;
    }

    public function with(float $from, float $until): self
    {
        return new self($this->allowed, [...$this->taken, [$from, $until]]);
    }

    private function pages(): float
    {
        return array_sum(array_map(fn(array $span): float => $span[1] - $span[0], $this->taken));
    }
}
