<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Models\Library;
use App\Models\StaffMember;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

final class AddStaffCommand extends Command
{
    protected $signature =
        'desk:staff {email : mail address to sign in with} {--library= : short name in ' .
        'addresses, such as saltmere} {--name= : as shown at the Desk} ' .
        '{--role=director : director, catalogue, lending, lists or figures}';

    protected $description = 'Let somebody sign in at the Desk, or give them a new password';

    public function handle(AddStaff $add): int
    {
        $email = mb_strtolower((string) $this->argument('email'));
        $member = StaffMember::query()->where('email', $email)->first();
        $asked = Library::query()->where('slug', $this->option('library'))->first();
        $library = $asked ?? ($this->option('library') === null ? $member?->library : null);
        $role = StaffRole::tryFrom((string) $this->option('role'));
        if ($role === null) {
            $this->error('--role is director, catalogue, lending, lists or figures.');

            return self::INVALID;
        }
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false || $library === null) {
            $this->error(
                $library === null
                    ? 'Name their library: --library=' . Library::query()->orderBy('slug')->pluck('slug')->implode('|')
                    : "{$email} is not a mail address.",
            );

            return self::FAILURE;
        }
        $password = Str::password(20, symbols: false);
        $name = is_string($this->option('name')) ? $this->option('name') : $member->name ?? $email;
        $add($library, $role, $name, $email, Hash::make($password));
        $this->info(__('staff.staff_made', ['email' => $email, 'library' => $library->name, 'password' => $password]));

        return self::SUCCESS;
    }
}
