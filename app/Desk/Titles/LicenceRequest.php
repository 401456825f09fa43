<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Models\Library;
use App\Models\Licence;
use App\Models\StaffMember;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** What staff ask to have done with a licence: looked at first, then done, with the same words. */
final class LicenceRequest extends FormRequest
{
    private const MOST = 100_000;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $model = LicenceModel::tryFrom((string) $this->string('model'));
        $number = fn(bool $needed): array => [
            $needed ? 'required' : 'exclude',
            'integer',
            'min:1',
            'max:' . self::MOST,
        ];

        return [
            'do' => ['required', Rule::enum(OrderKind::class)],
            'order' => [$this->isMethod('post') ? 'required' : 'exclude', 'uuid'],
        ] +
            match ((string) $this->string('do')) {
                'copies' => ['licence' => ['required', 'integer'], 'copies' => $number(true)],
                'end' => ['licence' => ['required', 'integer'], 'ends' => ['nullable', 'date_format:Y-m-d']],
                default => [
                    'model' => ['required', Rule::enum(LicenceModel::class)],
                    'copies' => $number($model?->hasCopies() === true),
                    'loans' => $number($model?->countsLoans() === true),
                    'starts' => ['nullable', 'date_format:Y-m-d'],
                    'ends' => [$model === LicenceModel::MeteredByTime ? 'required' : 'nullable', 'date_format:Y-m-d'],
                    // A gift costs 0, and that is said too.
                    'price' => [
                        'required',
                        $model === LicenceModel::PayPerLoan ? 'not_regex:/^0+([.,]0*)?$/' : 'string',
                        'regex:/^\d{1,7}([.,]\d{1,2})?$/',
                    ],
                    'shared' => ['nullable', 'boolean'],
                    'pages' => ['nullable', 'integer', 'min:0', 'max:' . self::MOST],
                    ...array_fill_keys(['pdf', 'offline', 'download'], ['nullable', 'boolean']),
                ],
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
        $ends = $this->day('ends', $library, '23:59:59');
        if ($what === OrderKind::Add) {
            $model = LicenceModel::from((string) $this->string('model'));
            $starts = $this->day('starts', $library, '00:00');
            $this->refuseIf($ends !== null && $ends <= max($now, $starts ?? $now), 'ends', 'ends_later');

            return new LicenceOrder(
                id: $id,
                what: $what,
                titleId: $title->id,
                licence: null,
                model: $model,
                copies: $model->hasCopies() ? $this->integer('copies') : null,
                loans: $model->countsLoans() ? $this->integer('loans') : null,
                startsAt: $starts === null || $starts <= $now ? null : $starts,
                endsAt: $model === LicenceModel::PayPerLoan ? null : $ends,
                priceCents: (int) round(100 * (float) str_replace(',', '.', (string) $this->string('price'))),
                shared: $model !== LicenceModel::PayPerLoan && $this->boolean('shared'),
                rights: new Rights(
                    $this->filled('pages') ? $this->integer('pages') : null,
                    $this->boolean('pdf'),
                    $this->boolean('offline'),
                    $this->boolean('download'),
                ),
            );
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
            array_filter(
                $this->only([
                    'do',
                    'licence',
                    'model',
                    'copies',
                    'loans',
                    'starts',
                    'ends',
                    'price',
                    'shared',
                    'pages',
                    'pdf',
                    'offline',
                    'download',
                ]),
                is_scalar(...),
            ),
        );
    }

    private function day(string $name, Library $library, string $time): ?DateTimeImmutable
    {
        $text = (string) $this->string($name);

        return $text === '' ? null : new DateTimeImmutable("{$text} {$time}", $library->zone());
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
