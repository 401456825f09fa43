<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Licence;
use App\Models\StaffMember;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** What staff ask to have done with a licence: looked at first, then done, with the same words. */
final class LicenceRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $number = LicenceForm::number(true);

        return [
            'do' => ['required', Rule::enum(OrderKind::class)],
            'order' => [$this->isMethod('post') ? 'required' : 'exclude', 'uuid'],
        ] +
            match ((string) $this->string('do')) {
                'copies' => ['licence' => ['required', 'integer'], 'copies' => $number],
                'end' => ['licence' => ['required', 'integer'], 'ends' => ['nullable', 'date_format:Y-m-d']],
                default => LicenceForm::rules(LicenceModel::tryFrom((string) $this->string('model'))),
            };
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return array_map(fn(string $key): string => __("desk.needs.{$key}"), [
            'model.*' => 'model',
            'copies.*' => 'copies',
            'loans.*' => 'loans',
            'starts.*' => 'date',
            'ends.*' => 'date',
            'price.*' => 'price',
            'pages.*' => 'pages',
            'licence.*' => 'licence',
            'do.*' => 'licence',
            'order.*' => 'licence',
        ]);
    }

    /** @throws ValidationException when the licence is not one of this library and title, or the dates cannot be */
    public function order(StaffMember $staff, Title $title, DateTimeImmutable $now): LicenceOrder
    {
        $library = $staff->library;
        $what = OrderKind::from((string) $this->string('do'));
        $id = $this->isMethod('post') ? (string) $this->string('order') : (string) Str::uuid();
        $ends = LicenceForm::day((string) $this->string('ends'), $library, '23:59:59');
        if ($what === OrderKind::Add) {
            $order = LicenceForm::order($this->all(), $id, $title->id, $library, $now);
            $this->refuseIf($ends !== null && $ends <= max($now, $order->startsAt ?? $now), 'ends', 'ends_later');

            return $order;
        }
        $licence = Licence::query()
            ->where(['id' => $this->integer('licence'), 'library_id' => $library->id, 'title_id' => $title->id])
            ->first();
        $this->refuseIf(
            $licence === null || ($licence->ends_at !== null && $licence->ends_at <= $now),
            'licence',
            'licence',
        );
        \assert($licence !== null);
        if ($what === OrderKind::Copies) {
            $this->refuseIf(!$licence->model->hasCopies(), 'copies', 'no_copies');

            return new LicenceOrder(
                $id,
                $what,
                $title->id,
                $licence,
                $licence->model,
                copies: $this->integer('copies'),
            );
        }
        $today = $ends !== null && $ends->format('Y-m-d') === $now->setTimezone($library->zone())->format('Y-m-d');
        $this->refuseIf($ends !== null && $ends <= $now, 'ends', 'date_past');
        $this->refuseIf(
            $ends !== null && $licence->ends_at !== null && $ends >= $licence->ends_at,
            'ends',
            'ends_before',
        );

        return new LicenceOrder($id, $what, $title->id, $licence, $licence->model, endsAt: $today ? null : $ends);
    }

    /** @return array<string, string> the same again, as a form's hidden fields */
    public function again(): array
    {
        return array_map(
            strval(...),
            array_filter($this->only(['do', 'licence', ...LicenceForm::FIELDS]), is_scalar(...)),
        );
    }

    private function refuseIf(bool $wrong, string $field, string $why): void
    {
        if ($wrong) {
            throw ValidationException::withMessages([$field => __("desk.needs.{$why}")])->redirectTo(
                $this->getRedirectUrl(),
            );
        }
    }

    protected function getRedirectUrl(): string
    {
        return route('desk.title', $this->route('title'), absolute: false);
    }
}
