<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use DateTimeImmutable;
use Exception;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use InvalidArgumentException;

/**
 * A licence as one writes it on a command line:
 * "metered_by_loans:copies=2,loans=26,ends=2027-06-30,shared,pages=30,pdf".
 */
final readonly class LicenceTerms
{
    public function __construct(
        public LicenceModel $model,
        public ?int $copies = null,
        public ?int $loans = null,
        public ?DateTimeImmutable $endsAt = null,
        public bool $shared = false,
        public int $priceCents = 0,
        public Rights $rights = new Rights(),
    ) {
        $lacks = match (true) {
            $model->hasCopies() && ($copies ?? 0) < 1 => 'copies=N',
            $model->countsLoans() && ($loans ?? 0) < 1 => 'loans=N',
            $model === LicenceModel::PayPerLoan && $priceCents < 1 => 'price=CENTS, the price of one loan',
            $model === LicenceModel::PayPerLoan && $shared => 'no shared: each library pays for its own patrons',
            $model === LicenceModel::MeteredByTime && $endsAt === null => 'ends=YYYY-MM-DD',
            default => null,
        };
        if ($lacks !== null) {
            throw new InvalidArgumentException("A licence '{$model->value}' needs {$lacks}.");
        }
    }

    /** The same at another price. */
    public function priced(int $cents): self
    {
        return new self(
            model: $this->model,
            copies: $this->copies,
            loans: $this->loans,
            endsAt: $this->endsAt,
            shared: $this->shared,
            priceCents: $cents,
            rights: $this->rights,
        );
    }

    /** @throws InvalidArgumentException with a message for the person who typed it */
    public static function parse(string $text): self
    {
        [$name, $rest] = explode(':', $text . ':', 2);
        $model = LicenceModel::tryFrom($name);
        if ($model === null) {
            throw new InvalidArgumentException(
                "No licence model '{$name}'. Known: " .
                    implode(', ', array_column(LicenceModel::cases(), 'value')) .
                    '.',
            );
        }
        $values = [];
        foreach (array_filter(explode(',', rtrim($rest, ':'))) as $part) {
            [$key, $value] = explode('=', $part . '=');
            $values[$key] = $value;
        }
        $unknown = array_diff(array_keys($values), [
            'copies',
            'loans',
            'ends',
            'shared',
            'price',
            'pages',
            'pdf',
            'no-offline',
            'download',
            'protected',
        ]);
        if ($unknown !== []) {
            throw new InvalidArgumentException(
                'A licence is written like metered_by_loans:copies=2,loans=26,ends=2027-06-30,price=4000,shared, ' .
                    'with what loans may do: pages=20 (or pages=all), pdf, no-offline, protected or download; ' .
                    implode(', ', $unknown) .
                    ' means nothing here.',
            );
        }
        if (isset($values['pages']) && preg_match('/^(all|\d{1,6})$/', $values['pages']) !== 1) {
            throw new InvalidArgumentException("pages={$values['pages']} is not a number of pages, nor all.");
        }
        try {
            $endsAt = isset($values['ends']) ? new DateTimeImmutable($values['ends']) : null;
        } catch (Exception) {
            throw new InvalidArgumentException("'{$values['ends']}' is not a date like 2027-06-30.");
        }

        return new self(
            model: $model,
            copies: isset($values['copies']) ? (int) $values['copies'] : ($model->hasCopies() ? 1 : null),
            loans: isset($values['loans']) ? (int) $values['loans'] : null,
            endsAt: $endsAt,
            shared: isset($values['shared']),
            priceCents: (int) ($values['price'] ?? 0),
            rights: new Rights(
                ($values['pages'] ?? '') === 'all' ? null : (int) ($values['pages'] ?? (new Rights())->pages),
                isset($values['pdf']),
                !isset($values['no-offline']),
                match (true) {
                    isset($values['download']) => DownloadRight::Open,
                    isset($values['protected']) => DownloadRight::Protected,
                    default => DownloadRight::None,
                },
            ),
        );
    }
}
