<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Person;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Sending\Undelivered;
use Illuminate\Support\Facades\DB;

/** Somebody wants something sent to a place of their own. It goes in the background. */
final class AskToSend
{
    public function __construct(private readonly Places $places, private readonly MaySend $maySend) {}

    /** @return Undelivered|string why not, or where it goes */
    public function __invoke(Person $person, Wish $wish, DateTimeImmutable $now): Undelivered|string
    {
        $to = $this->places->to($person, $wish->way);
        if ($to === null || !$wish->goods->goes($wish->way)) {
            return $to === null ? Undelivered::NoPlace : Undelivered::WrongWay;
        }
        $loan = $wish->loan;
        $why = $loan === null ? null : $this->maySend->of($loan, $wish->goods, $wish->way, $now);
        if ($why !== null) {
            return $why;
        }
        DB::transaction(function () use ($person, $wish, $loan, $to, $now): void {
            // Asked for twice while it is on its way, it goes once.
            $id = DB::scalar(
                'insert into sendings (person_id, loan_id, goods, facts, name, way, destination, locale, asked_at)
                    values (?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing returning id',
                [
                    $person->id,
                    $loan?->id,
                    $wish->goods->value,
                    json_encode(
                        $loan === null ? $wish->facts : ['loan' => $loan->id, ...$wish->facts],
                        JSON_THROW_ON_ERROR,
                    ),
                    mb_substr($wish->name, 0, 500),
                    $wish->way->value,
                    $to,
                    app()->getLocale(),
                    Sql::second($now),
                ],
            );
            $id === null || SendOut::dispatch((int) $id);
        });

        return $to;
    }
}
