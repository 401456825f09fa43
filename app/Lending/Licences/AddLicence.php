<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Lending\Queues\FillFreeCopies;
use App\Lending\Requests\AnswerRequests;
use App\Models\Licence;
use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use Illuminate\Support\Facades\DB;

/**
 * A library buys a licence: who asked for the title is told or put in line, and those in line get its copies at once.
 */
final class AddLicence
{
    public function __construct(
        private readonly FillFreeCopies $fillFreeCopies,
        private readonly AnswerRequests $answerRequests,
    ) {}

    public function __invoke(
        int $libraryId,
        int $titleId,
        LicenceModel $model,
        ?int $copies,
        ?int $loans,
        DateTimeImmutable $startsAt,
        ?DateTimeImmutable $endsAt,
        DateTimeImmutable $now,
        int $priceCents = 0,
        bool $shared = false,
        Rights $rights = new Rights(),
    ): Licence {
        return DB::transaction(function () use (
            $libraryId,
            $titleId,
            $model,
            $copies,
            $loans,
            $startsAt,
            $endsAt,
            $now,
            $priceCents,
            $shared,
            $rights,
        ): Licence {
            $this->answerRequests->lock($titleId);
            $licence = Licence::query()->create([
                'library_id' => $libraryId,
                'title_id' => $titleId,
                'model' => $model,
                'copies' => $model->hasCopies() ? $copies : null,
                'copies_free' => $model->hasCopies() ? $copies : null,
                'loans_bought' => $model->countsLoans() ? $loans : null,
                'loans_left' => $model->countsLoans() ? $loans : null,
                'starts_at' => $startsAt,
                'ends_at' => $endsAt,
                'price_cents' => $priceCents,
                'shared' => $shared,
                'pages_allowed' => $rights->pages,
                'chapters_as_pdf' => $rights->chaptersAsPdf,
                'offline' => $rights->offline,
                'download' => $rights->download,
                'added_at' => $now,
            ]);
            $this->answerRequests->here(
                libraryId: $libraryId,
                titleId: $titleId,
                shared: $shared,
                line: $model->takesHolds(),
                from: $startsAt,
                now: $now,
            );
            if ($model->takesHolds()) {
                ($this->fillFreeCopies)($licence->id, $now);
            }

            return $licence;
        }, attempts: 3);
    }
}
