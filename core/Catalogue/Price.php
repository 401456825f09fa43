<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** What a supplier asks for a title, as a record says it. */
final readonly class Price
{
    /** In whole money. */
    private const MOST = 1_000_000;

    /** @param  string  $currency  ISO 4217 */
    public function __construct(public int $cents, public string $currency)
    {
        if ($cents < 0 || $cents > 100 * self::MOST || preg_match('/^[A-Z]{3}$/D', $currency) !== 1) {
            throw new InvalidArgumentException('A price is an amount and a currency of three letters.');
        }
    }

    /** "12.50" and "EUR"; null for what is no price. */
    public static function parse(?string $amount, ?string $currency): ?self
    {
        $currency = strtoupper(trim((string) $currency));
        $isOne =
            preg_match('/^\d{1,7}(\.\d{1,4})?$/D', trim((string) $amount)) === 1 &&
            preg_match('/^[A-Z]{3}$/D', $currency) === 1 &&
            (float) $amount <= self::MOST;

        return $isOne ? new self((int) round(100 * (float) $amount), $currency) : null;
    }

    /** "12.50" */
    public function amount(): string
    {
        return sprintf('%d.%02d', intdiv($this->cents, 100), $this->cents % 100);
    }
}
