<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Desk\SignIn\StaffPassword;
use FigPorch\Core\Lending\BeginningRules;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** The first member of staff, their library, and its first cards. */
final class SetupRequest extends FormRequest
{
    /** Each PIN takes a quarter of a second to hash, and somebody waits for the page. */
    private const MOST_CARDS = 60;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'staff_name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => StaffPassword::rules(),
            'name' => ['required', 'string', 'max:120'],
            'short_name' => ['required', 'string', 'max:40'],
            'slug' => ['required', 'string', 'max:40', 'regex:' . NewLibrary::SLUG, Rule::unique('libraries', 'slug')],
            'place' => ['required', 'string', 'max:120'],
            'timezone' => ['required', 'string', 'timezone:all'],
            'pin_contact' => ['required', 'string', 'max:120'],
            'consortium' => ['nullable', 'string', 'max:120'],
            'rules' => ['required', Rule::enum(BeginningRules::class)],
            'patrons' => ['nullable', 'string', 'max:40000'],
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if (count($this->patrons()) > self::MOST_CARDS) {
                    $validator
                        ->errors()
                        ->add('patrons', __('setup.errors.patrons', ['most' => (string) self::MOST_CARDS]));
                }
            },
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'required' => __('setup.errors.required'),
            'max' => __('setup.errors.max'),
            'email.email' => __('setup.errors.email'),
            ...StaffPassword::messages(),
            'slug.regex' => __('setup.errors.slug'),
            'slug.unique' => __('setup.errors.slug_taken'),
            'timezone.timezone' => __('setup.errors.timezone'),
        ];
    }

    public function library(): NewLibrary
    {
        $text = fn(string $field): string => $this->string($field)->trim()->value();

        return new NewLibrary(
            name: $text('name'),
            shortName: $text('short_name'),
            slug: $text('slug'),
            place: $text('place'),
            timezone: $text('timezone'),
            pinContact: $text('pin_contact'),
            rules: BeginningRules::from($text('rules')),
            consortium: $text('consortium') === '' ? null : $text('consortium'),
        );
    }

    /** @return array{name: string, email: string, password: string} */
    public function staff(): array
    {
        return [
            'name' => $this->string('staff_name')->trim()->value(),
            'email' => $this->string('email')->trim()->value(),
            'password' => $this->string('password')->value(),
        ];
    }

    /** @return list<string> a name a line */
    public function patrons(): array
    {
        $lines = preg_split('/\R/u', $this->string('patrons')->value()) ?: [];
        $names = array_map(fn(string $line): string => mb_substr(trim($line), 0, 120), $lines);

        return array_values(array_filter($names, fn(string $name): bool => $name !== ''));
    }
}
