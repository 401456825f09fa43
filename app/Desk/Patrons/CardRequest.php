<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Lending\LoanRules\PatronGroups;
use App\Models\StaffMember;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What is written of a card and of whose it is. */
final class CardRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(PatronGroups $groups): array
    {
        $staff = $this->user('staff');

        return [
            'name' => [Rule::requiredIf($this->routeIs('desk.patrons.issue')), 'nullable', 'string', 'max:120'],
            'email' => ['nullable', 'string', 'email', 'max:200'],
            'group' => [
                'required',
                'string',
                Rule::in($staff instanceof StaffMember ? $groups->of($staff->library_id) : []),
            ],
            'class' => ['nullable', 'string', 'max:60'],
            'number' => [
                'nullable',
                'string',
                'max:60',
                function (string $field, mixed $value, callable $fail): void {
                    is_string($value) &&
                        !CardNumber::isOne(CardNumber::plain($value)) &&
                        $fail(__('patrons.bad_number'));
                },
            ],
            'expires' => ['nullable', 'string', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2200-01-01'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'required' => __('setup.errors.required'),
            'max' => __('setup.errors.max'),
            'email.email' => __('setup.errors.email'),
            'group.in' => __('patrons.no_such_group'),
            'expires' => __('patrons.bad_day'),
        ];
    }

    public function name(): string
    {
        return $this->string('name')->trim()->value();
    }

    public function email(): ?string
    {
        return $this->text('email');
    }

    public function group(): string
    {
        return $this->string('group')->value();
    }

    public function schoolClass(): ?string
    {
        return $this->text('class');
    }

    public function number(): ?string
    {
        $number = $this->text('number');

        return $number === null ? null : CardNumber::plain($number);
    }

    public function expiresAt(DateTimeZone $zone): ?DateTimeImmutable
    {
        return self::endOfDay($this->text('expires'), $zone);
    }

    /** The last moment of a day that is written as year-month-day. */
    public static function endOfDay(?string $day, DateTimeZone $zone): ?DateTimeImmutable
    {
        return $day === null ? null : new DateTimeImmutable("{$day} 23:59:59", $zone);
    }

    private function text(string $name): ?string
    {
        $text = $this->string($name)->trim()->value();

        return $text === '' ? null : $text;
    }
}
