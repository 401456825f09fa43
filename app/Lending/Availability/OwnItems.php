<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Models\Hold;
use App\Models\Loan;
use App\Models\Person;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;

/** What a person has on loan or on hold among some titles, on any card. */
final readonly class OwnItems
{
    /**
     * @param  array<int, Loan>  $loans  by title
     * @param  array<int, Hold>  $holds  by title
     * @param  array<int, true>  $asked  titles with an open request of theirs
     */
    public function __construct(private array $loans = [], private array $holds = [], private array $asked = []) {}

    /**
     * @param  iterable<Title>  $titles
     * @param  bool  $beyond  they may be titles that no library of theirs has, to be asked for
     */
    public function of(?Person $person, iterable $titles, DateTimeImmutable $now, bool $beyond = false): self
    {
        $titleIds = collect($titles)->pluck('id')->all();
        if ($person === null || $titleIds === []) {
            return new self();
        }
        $cards = $person->cards->modelKeys();
        $titles = Sql::array($titleIds);

        return new self(
            Loan::query()
                ->whereIn('card_id', $cards)
                ->whereRaw('title_id = any(?)', [$titles])
                ->whereNull('ended_at')
                ->where('due_at', '>', $now)
                ->get()
                ->keyBy('title_id')
                ->all(),
            Hold::query()
                ->whereIn('card_id', $cards)
                ->whereRaw('title_id = any(?)', [$titles])
                ->whereNull('closed_at')
                ->get()
                ->keyBy('title_id')
                ->all(),
            $beyond
                ? array_fill_keys(
                    TitleRequest::query()
                        ->whereIn('card_id', $cards)
                        ->whereRaw('title_id = any(?)', [$titles])
                        ->where('state', 'open')
                        ->pluck('title_id')
                        ->all(),
                    true,
                )
                : [],
        );
    }

    public function loan(int $titleId): ?Loan
    {
        return $this->loans[$titleId] ?? null;
    }

    public function hold(int $titleId): ?Hold
    {
        return $this->holds[$titleId] ?? null;
    }

    public function asked(int $titleId): bool
    {
        return isset($this->asked[$titleId]);
    }

    public function readyHold(int $titleId, DateTimeImmutable $now): ?Hold
    {
        $hold = $this->hold($titleId);

        return $hold !== null && $hold->state === HoldState::Ready && $hold->kept_until > $now ? $hold : null;
    }
}
