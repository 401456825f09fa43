<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\Loan;
use App\Models\Passphrase;
use App\Models\ProtectedLoan;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The licence of a loan: made when its file is first asked for, with the passphrase that its person has then. */
final class ProtectLoan
{
    /** Whether its file can be had: a passphrase is set, or was when it was first asked for. */
    public function canBe(Loan $loan): bool
    {
        return $this->userKey($loan) !== null;
    }

    /** @return string|null what opens its file, or would; null where no passphrase is set */
    public function userKey(Loan $loan): ?string
    {
        return $this->known($loan)->user_key ?? $this->passphrase($loan)?->user_key;
    }

    /** @return ProtectedLoan|null null where no passphrase is set; the publication is protected already */
    public function __invoke(Loan $loan, DateTimeImmutable $now): ?ProtectedLoan
    {
        $known = $this->known($loan);
        $passphrase = $known === null ? $this->passphrase($loan) : null;
        if ($known !== null || $passphrase === null) {
            return $known;
        }
        $new = new ProtectedLoan([
            'id' => (string) Str::uuid(),
            'loan_id' => $loan->id,
            'library_id' => $loan->card?->library_id,
            'sha256' => $loan->title->publication?->sha256,
            'user_key' => $passphrase->user_key,
            'hint' => $passphrase->hint,
            'issued_at' => $now,
            'ends_at' => $loan->due_at,
            'updated_at' => $now,
        ]);
        // Another window may be quicker.
        DB::table('protected_loans')->insertOrIgnore($new->getAttributes());

        return $this->known($loan);
    }

    /** Where its title has another file now, that one has a licence of its own. */
    private function known(Loan $loan): ?ProtectedLoan
    {
        return ProtectedLoan::query()
            ->where('loan_id', $loan->id)
            ->where('sha256', $loan->title->publication?->sha256)
            ->first();
    }

    private function passphrase(Loan $loan): ?Passphrase
    {
        return Passphrase::query()->find($loan->card?->person_id);
    }
}
