<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Models\Fund;
use App\Models\StaffMember;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A licence that staff mean to order: nothing is noted without a price, a currency and a fund that pays. */
final class OrderRequest extends FormRequest
{
    private const MOST = 10_000;

    /** Pay per loan is not ordered: each loan is paid by the month's budget. */
    public const MODELS = [
        LicenceModel::OneCopyOneUser,
        LicenceModel::MeteredByTime,
        LicenceModel::MeteredByLoans,
        LicenceModel::Concurrent,
        LicenceModel::Simultaneous,
    ];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $model = LicenceModel::tryFrom((string) $this->string('model'));
        $number = fn(bool $counts, bool $needed = true): array => $counts
            ? [$needed ? 'required' : 'nullable', 'integer', 'min:1', 'max:' . self::MOST]
            : ['exclude'];
        $staff = $this->user('staff');

        return [
            'form' => ['required', 'uuid'],
            'model' => ['required', Rule::enum(LicenceModel::class)->only(self::MODELS)],
            'quantity' => $number(true),
            'copies' => $number($model?->hasCopies() === true),
            'loans' => $number($model?->countsLoans() === true),
            'months' => ['nullable', ...$number(true, $model === LicenceModel::MeteredByTime), 'max:600'],
            'price' => ['required', 'regex:/^\d{1,6}([.,]\d{1,2})?$/'],
            'fund' => [
                'required',
                'integer',
                Rule::exists('funds', 'id')->where(
                    fn(Builder $funds) => $funds
                        ->where('library_id', $staff instanceof StaffMember ? $staff->library_id : 0)
                        ->where('closed', false),
                ),
            ],
            'note' => ['nullable', 'string', 'max:200'],
            'shared' => ['nullable', 'boolean'],
            'pages' => ['nullable', 'integer', 'min:0', 'max:100000'],
            ...array_fill_keys(['pdf', 'offline', 'beyond'], ['nullable', 'boolean']),
            'download' => ['nullable', Rule::enum(DownloadRight::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $needs = fn(string $of): string => __("orders.needs.{$of}");

        return [
            'form.*' => $needs('form'),
            'model.*' => $needs('model'),
            'quantity.*' => $needs('quantity'),
            'copies.*' => $needs('copies'),
            'loans.*' => $needs('loans'),
            'months.*' => $needs('months'),
            'price.*' => $needs('price'),
            'fund.*' => $needs('fund'),
            'note.*' => $needs('note'),
            'pages.*' => $needs('pages'),
        ];
    }

    public function fund(): Fund
    {
        return Fund::query()->findOrFail($this->integer('fund'));
    }

    /** @return array<string, mixed> columns of an order, but whose it is and when */
    public function terms(): array
    {
        $model = LicenceModel::from((string) $this->string('model'));
        $orNull = fn(string $name): ?int => $this->filled($name) ? $this->integer($name) : null;

        return [
            'model' => $model,
            'quantity' => $this->integer('quantity'),
            'copies' => $model->hasCopies() ? $this->integer('copies') : null,
            'loans' => $model->countsLoans() ? $this->integer('loans') : null,
            'months' => $orNull('months'),
            'unit_cents' => (int) round(100 * (float) str_replace(',', '.', (string) $this->string('price'))),
            'shared' => $this->boolean('shared'),
            'pages_allowed' => $orNull('pages'),
            'chapters_as_pdf' => $this->boolean('pdf'),
            'offline' => $this->boolean('offline'),
            'download' => $this->enum('download', DownloadRight::class) ?? DownloadRight::None,
            'note' => $this->string('note')->trim()->value(),
        ];
    }
}
