<?php

declare(strict_types=1);

namespace App\Desk\SignInWays;

use App\Models\SignInWays;
use App\Shared\Input;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Account\SchoolSignIn;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use InvalidArgumentException;

/** How a library lets its patrons in, as its director fills it in. A secret that is left empty stays as it is. */
final class WaysRequest extends FormRequest
{
    private const MOST = 500;

    /** @throws ValidationException */
    public function school(SignInWays $now): ?SchoolSignIn
    {
        if (!$this->boolean('with_school')) {
            return null;
        }
        $this->demand('school_name', 'school_client_id');
        try {
            return new SchoolSignIn(
                name: $this->text('school_name'),
                issuer: rtrim($this->text('school_issuer')),
                clientId: $this->text('school_client_id'),
                secret: $this->secret('school_secret', $now->schoolSignIn()->secret ?? ''),
                groupClaim: $this->text('school_group_claim'),
                groups: $this->map('school_groups'),
                otherGroup: $this->text('school_other_group') ?: null,
                classClaim: $this->text('school_class_claim'),
                numberClaim: $this->text('school_number_claim'),
            );
        } catch (InvalidArgumentException) {
            throw ValidationException::withMessages(['school_issuer' => __('ways.bad_issuer')]);
        }
    }

    /** @throws ValidationException */
    public function system(SignInWays $now): ?LibrarySystem
    {
        if (!$this->boolean('with_system')) {
            return null;
        }
        $before = $now->librarySystem();
        $this->demand('system_host', 'system_other_group');
        $port = $this->text('system_port');
        try {
            return new LibrarySystem(
                host: $this->text('system_host'),
                port: ctype_digit($port) && strlen($port) < 6 ? (int) $port : 0,
                tls: $this->boolean('system_tls'),
                institution: $this->text('system_institution'),
                user: $this->text('system_user'),
                password: $this->secret('system_password', $before->password ?? ''),
                terminalPassword: $this->secret('system_terminal_password', $before->terminalPassword ?? ''),
                groupField: strtoupper($this->text('system_group_field')),
                groups: $this->map('system_groups'),
                otherGroup: $this->text('system_other_group'),
            );
        } catch (InvalidArgumentException) {
            throw ValidationException::withMessages(['system_host' => __('ways.bad_system')]);
        }
    }

    public function mailDomain(): ?string
    {
        $domain = mb_strtolower(ltrim($this->text('mail_domain'), '@'));
        if ($domain !== '' && preg_match('/^[a-z0-9-]+(\.[a-z0-9-]+)+$/D', $domain) !== 1) {
            throw ValidationException::withMessages(['mail_domain' => __('ways.bad_domain')]);
        }

        return $domain === '' ? null : $domain;
    }

    private function text(string $name): string
    {
        return mb_substr(Input::text($this, $name), 0, self::MOST);
    }

    private function secret(string $name, string $before): string
    {
        $given = $this->input($name);

        return is_string($given) && $given !== '' ? mb_substr($given, 0, self::MOST) : $before;
    }

    /** @throws ValidationException */
    private function demand(string ...$names): void
    {
        foreach ($names as $name) {
            if ($this->text($name) === '') {
                throw ValidationException::withMessages([$name => __('ways.needed')]);
            }
        }
    }

    /**
     * A line for each: "pupil = student".
     *
     * @return array<string, string>
     *
     * @throws ValidationException
     */
    private function map(string $name): array
    {
        $map = [];
        foreach (preg_split('/\R/u', Input::text($this, $name)) ?: [] as $line) {
            if (trim($line) === '') {
                continue;
            }
            $parts = array_map(trim(...), explode('=', $line, 2));
            if (count($parts) < 2 || $parts[0] === '' || $parts[1] === '') {
                throw ValidationException::withMessages([
                    $name => __('ways.bad_map', ['line' => mb_strimwidth($line, 0, 60, '…')]),
                ]);
            }
            $map[$parts[0]] = mb_substr($parts[1], 0, 24);
        }

        return $map;
    }
}
