<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Desk\Titles\LicenceForm;
use App\Models\Library;
use App\Models\StaffList;
use App\Models\StaffMember;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Desk\BatchAction;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Which titles, and what is to be done with them. */
final class BatchRequest extends FormRequest
{
    private const LONGEST_FILE_KB = 1024;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $what = BatchAction::tryFrom((string) $this->string('what'));

        return [
            'choose' => ['required', Rule::in(['search', 'list', 'numbers'])],
            'find' => ['required_if:choose,search', 'nullable', 'string', 'max:200'],
            'from_list' => ['required_if:choose,list', 'nullable', 'integer'],
            'numbers' => ['nullable', 'string', 'max:200000'],
            'file' => ['nullable', 'file', 'max:' . self::LONGEST_FILE_KB],
            'what' => ['required', Rule::enum(BatchAction::class)->only(BatchAction::chosen())],
        ] +
            match ($what) {
                BatchAction::Licence => LicenceForm::rules(LicenceModel::tryFrom((string) $this->string('model'))),
                BatchAction::Withdraw => ['last_day' => ['nullable', 'date_format:Y-m-d']],
                BatchAction::PutOnList => ['list' => ['required', 'integer']],
                BatchAction::AddSubject, BatchAction::RemoveSubject => [
                    $what->value => ['required', 'string', 'max:255', 'not_regex:/[\r\n\t]/'],
                ],
                BatchAction::Audience => ['audience' => ['required', Rule::enum(Audience::class)]],
                default => [],
            };
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $desk = ['model', 'copies', 'loans', 'price', 'pages'];

        return [
            ...array_combine(
                array_map(fn(string $of): string => "{$of}.*", $desk),
                array_map(fn(string $of): string => __("desk.needs.{$of}"), $desk),
            ),
            'starts.*' => __('desk.needs.date'),
            'ends.*' => __('desk.needs.date'),
            'last_day.*' => __('desk.needs.date'),
            'choose.*' => __('batches.needs.choose'),
            'find.*' => __('batches.needs.find'),
            'from_list.*' => __('batches.needs.list'),
            'numbers.*' => __('batches.needs.numbers'),
            'file.*' => __('batches.needs.file'),
            'what.*' => __('batches.needs.what'),
            'list.*' => __('batches.needs.list'),
            'add_subject.*' => __('batches.needs.subject'),
            'remove_subject.*' => __('batches.needs.subject'),
            'audience.*' => __('batches.needs.audience'),
        ];
    }

    public function what(): BatchAction
    {
        return BatchAction::from((string) $this->string('what'));
    }

    /**
     * @return array<string, mixed> of what is to be done
     *
     * @throws ValidationException where the list is none of the library's, or the day is over
     */
    public function facts(StaffMember $staff, DateTimeImmutable $now): array
    {
        $fields = match ($this->what()) {
            BatchAction::Licence => LicenceForm::FIELDS,
            BatchAction::Withdraw => ['last_day'],
            BatchAction::PutOnList => ['list'],
            BatchAction::AddSubject, BatchAction::RemoveSubject => [$this->what()->value],
            default => ['audience'],
        };
        $facts = array_filter($this->only($fields), is_scalar(...));
        foreach (array_intersect(['ends', 'last_day'], $fields) as $day) {
            $this->refuseIf($this->isTooSoon($day, $staff->library, $now), $day, __('desk.needs.date_past'));
        }
        $list = $this->what() === BatchAction::PutOnList ? $this->list($staff, 'list') : null;
        $this->refuseIf($list?->words !== null, 'list', __('batches.needs.list_by_hand'));

        return $facts;
    }

    /** @throws ValidationException where there is none of the library's */
    public function list(StaffMember $staff, string $field): StaffList
    {
        $list = StaffList::query()->where('library_id', $staff->library_id)->find($this->integer($field));
        $this->refuseIf($list === null, $field, __('batches.needs.list'));
        \assert($list !== null);

        return $list;
    }

    /** What the file says, and what was written beside it. */
    public function numbers(): string
    {
        $file = $this->file('file');
        $text = $file instanceof UploadedFile ? (string) $file->getContent() : '';
        $text = mb_check_encoding($text, 'UTF-8') ? $text : mb_convert_encoding($text, 'UTF-8', 'Windows-1252');

        return "{$this->string('numbers')}\n{$text}";
    }

    private function isTooSoon(string $field, Library $library, DateTimeImmutable $now): bool
    {
        $day = LicenceForm::day((string) $this->string($field), $library, '23:59:59');

        return $day !== null && $day <= $now;
    }

    private function refuseIf(bool $wrong, string $field, string $why): void
    {
        if ($wrong) {
            throw ValidationException::withMessages([$field => $why]);
        }
    }
}
