<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\Loan;
use App\Models\PreparedFile;
use App\Shared\FileDelivery;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Symfony\Component\HttpFoundation\Response;

/** The answer to who asks for a file of a loan: the file, or the page that says how far it is. */
final class GiveFile
{
    public function __construct(
        private readonly PrepareFile $prepare,
        private readonly FileMakers $makers,
        private readonly FileDelivery $delivery,
    ) {}

    public function __invoke(Loan $loan, string $kind): Response
    {
        $file = ($this->prepare)($loan, $kind, CarbonImmutable::now());

        return match (true) {
            $file === null => redirect()
                ->route('loans.index')
                ->with('refusal', trans_choice('prepared.too_many', PrepareFile::AT_A_TIME)),
            $file->isReady() => $this->send($loan, $file),
            default => new RedirectResponse(route('prepared.show', [$loan, $file], false)),
        };
    }

    /** Of a file that is not ready yet, or not there any more, its page says what to do. */
    public function send(Loan $loan, PreparedFile $file): Response
    {
        if (!$file->isReady()) {
            return new RedirectResponse(route('prepared.show', [$loan, $file], false));
        }
        [$name, $type] = $this->makers->of($file->kind)->named($loan, $file->kind);

        return $this->delivery->attachment((string) $file->id, $name, $type);
    }
}
