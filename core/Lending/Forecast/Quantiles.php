<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use InvalidArgumentException;

/** A distribution known by its quantiles at even steps from 0 to 1, straight lines between them. */
final readonly class Quantiles
{
    /** @param  non-empty-list<float>  $values  never falling; one value alone stands for a fixed quantity */
    public function __construct(public array $values)
    {
        for ($i = 1; $i < count($values); $i++) {
            if ($values[$i] < $values[$i - 1]) {
                throw new InvalidArgumentException('Quantiles never fall.');
            }
        }
    }

    /** The value that a share of all cases, 0 to 1, stays below. */
    public function at(float $share): float
    {
        $last = count($this->values) - 1;
        $x = $share * $last;
        $i = (int) $x;

        return $i >= $last
            ? $this->values[$last]
            : $this->values[$i] + ($x - $i) * ($this->values[$i + 1] - $this->values[$i]);
    }

    /** The share of all cases that stay below a value. */
    public function below(float $value): float
    {
        $last = count($this->values) - 1;
        if ($value <= $this->values[0]) {
            return 0.0;
        }
        if ($value > $this->values[$last]) {
            return 1.0;
        }
        for ($i = 0; $this->values[$i + 1] < $value; $i++);

        return ($i + ($value - $this->values[$i]) / ($this->values[$i + 1] - $this->values[$i])) / $last;
    }

    public function mean(): float
    {
        $last = count($this->values) - 1;

        return $last === 0
            ? $this->values[0]
            : (array_sum($this->values) - ($this->values[0] + $this->values[$last]) / 2) / $last;
    }

    public function meanSquare(): float
    {
        $last = count($this->values) - 1;
        if ($last === 0) {
            return $this->values[0] ** 2;
        }
        $sum = 0.0;
        for ($i = 0; $i < $last; $i++) {
            [$a, $b] = [$this->values[$i], $this->values[$i + 1]];
            $sum += ($a * $a + $a * $b + $b * $b) / 3;
        }

        return $sum / $last;
    }

    /**
     * The distribution of cases of which a share comes from one and the rest from another.
     *
     * @param  float  $share  of $a, 0 to 1
     */
    public static function mixture(self $a, self $b, float $share): self
    {
        $points = [];
        foreach ([[$a, $share], [$b, 1 - $share]] as [$of, $weight]) {
            $n = count($of->values);
            foreach ($of->values as $i => $value) {
                $points[] = [$value, $weight * ($n === 1 ? 1 : ($i === 0 || $i === $n - 1 ? 0.5 : 1) / ($n - 1))];
            }
        }
        usort($points, fn(array $p, array $q): int => $p[0] <=> $q[0]);
        $values = [];
        $below = 0.0;
        $p = 0;
        for ($i = 0; $i <= 20; $i++) {
            while ($p < count($points) - 1 && $below + $points[$p][1] < $i / 20 - 1e-9) {
                $below += $points[$p++][1];
            }
            $values[] = $points[$p][0];
        }

        return new self($values);
    }
}
