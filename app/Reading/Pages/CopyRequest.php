<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** From where to where text is copied: documents of the reading order, and how far in the text of each. */
final class CopyRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'from_document' => ['required', 'integer', 'min:0', 'max:1000000'],
            'from_share' => ['required', 'numeric', 'min:0', 'max:1'],
            'to_document' => ['required', 'integer', 'min:0', 'max:1000000'],
            'to_share' => ['required', 'numeric', 'min:0', 'max:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['*' => __('pages.which')];
    }

    /**
     * @return array{float, float} pages before it begins, and before it ends
     *
     * @throws ValidationException where it ends before it begins, or is not in the publication
     */
    public function span(Loan $loan, LoanPages $loanPages): array
    {
        $publication = $loan->title->publication;
        $publication === null || $publication->positions === [] ? abort(404) : null;
        $loan->load('licence');
        $at = fn(string $end): float => $loanPages->before(
            $publication,
            $this->integer("{$end}_document"),
            $this->float("{$end}_share"),
        );
        [$from, $until] = [$at('from'), $at('to')];
        if ($until < $from || $until > $loanPages->pages($publication)->count()) {
            throw ValidationException::withMessages(['to' => __('pages.which')]);
        }

        return [$from, $until];
    }
}
