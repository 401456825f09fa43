<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Shared\Middleware\VisitorsLanguage;
use Closure;
use FigPorch\Core\Lending\Symbology;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use ResourceBundle;

/** What a library is called, where it is, how it speaks and pays. */
final class LibraryRequest extends FormRequest
{
    private const TIME = '/^([01]\d|2[0-3]):[0-5]\d$/D';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'short_name' => ['required', 'string', 'max:40'],
            'place' => ['required', 'string', 'max:120'],
            'timezone' => ['required', 'string', 'timezone:all'],
            'pin_contact' => ['required', 'string', 'max:120'],
            'language' => ['required', Rule::in(VisitorsLanguage::known())],
            'other_languages' => ['nullable', 'boolean'],
            'currency' => ['required', 'string', self::isCurrency()],
            'budget_month' => ['required', 'integer', 'between:1,12'],
            'edi_number' => ['nullable', 'string', 'max:35', 'regex:/^[\x21-\x7e]+$/D'],
            'edi_supplier' => ['nullable', 'string', 'max:35', 'regex:/^[\x21-\x7e]+$/D'],
            'quiet_from' => ['nullable', 'required_with:quiet_until', 'regex:' . self::TIME, 'different:quiet_until'],
            'quiet_until' => ['nullable', 'required_with:quiet_from', 'regex:' . self::TIME],
            'shares' => ['nullable', 'boolean'],
            'symbology' => ['required', Rule::enum(Symbology::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => __('library.needs.text'),
            'short_name.*' => __('library.needs.text'),
            'place.*' => __('library.needs.text'),
            'pin_contact.*' => __('library.needs.text'),
            'timezone.*' => __('setup.errors.timezone'),
            'language.*' => __('library.needs.language'),
            'currency.*' => __('library.needs.currency'),
            'budget_month.*' => __('library.needs.month'),
            'edi_number.*' => __('library.needs.edi'),
            'edi_supplier.*' => __('library.needs.edi'),
            'symbology.*' => __('library.needs.symbology'),
            'quiet_from.*' => __('library.needs.quiet'),
            'quiet_until.*' => __('library.needs.quiet'),
        ];
    }

    /** @return array<string, mixed> columns of the library */
    public function settings(): array
    {
        $text = fn(string $name): string => $this->string($name)->trim()->value();
        $first = $text('language');
        $orNull = fn(string $name): ?string => $text($name) === '' ? null : $text($name);

        return [
            'name' => $text('name'),
            'short_name' => $text('short_name'),
            'place' => $text('place'),
            'timezone' => $text('timezone'),
            'pin_contact' => $text('pin_contact'),
            'languages' => $this->boolean('other_languages')
                ? [$first, ...array_values(array_diff(VisitorsLanguage::known(), [$first]))]
                : [$first],
            'currency' => strtoupper($text('currency')),
            'budget_month' => $this->integer('budget_month'),
            'edi_number' => $text('edi_number'),
            'edi_supplier' => $text('edi_supplier'),
            'quiet_from' => $orNull('quiet_from'),
            'quiet_until' => $orNull('quiet_until'),
            'shares' => $this->boolean('shares'),
            'symbology' => $text('symbology'),
        ];
    }

    /** One of ISO 4217 that ICU knows. */
    private static function isCurrency(): Closure
    {
        return function (string $field, mixed $value, Closure $fail): void {
            $code = is_string($value) ? strtoupper(trim($value)) : '';
            $known = ResourceBundle::create('en', 'ICUDATA-curr')?->get('Currencies');
            if (preg_match('/^[A-Z]{3}$/D', $code) !== 1 || $known?->get($code) === null) {
                $fail(__('library.needs.currency'));
            }
        };
    }
}
