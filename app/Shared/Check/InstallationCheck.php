<?php

declare(strict_types=1);

namespace App\Shared\Check;

use App\Shared\Readiness;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\ExecutableFinder;
use Throwable;

/** What is wrong with an installation, and what to do about it. */
final class InstallationCheck
{
    private const EXTENSIONS = ['curl', 'dom', 'gd', 'intl', 'mbstring', 'pdo_pgsql', 'pcntl', 'zip', 'FFI'];

    private const PROGRAMS = ['ffmpeg', 'ffprobe', 'pdfinfo', 'pdftocairo', 'pdftoppm', 'prlimit', 'timeout'];

    private const OLDEST_POSTGRESQL = 150_000;

    /** More than this apart, loans would end at different moments for whoever asks whom. */
    private const SECONDS_APART = 2;

    private const MAIL_SECONDS = 3;

    public function __construct(private readonly Readiness $readiness) {}

    /** @return array<string, string|null> by what was looked at, what is wrong; null where all is well */
    public function problems(): array
    {
        return [
            'programs' => $this->programs(),
            'rights' => $this->rights(),
            ...$this->readiness->reasons(),
            ...$this->database(),
            'mail' => $this->mail(),
        ];
    }

    private function programs(): ?string
    {
        $missing = [
            ...array_map(
                fn(string $of): string => "PHP’s {$of}",
                array_filter(self::EXTENSIONS, fn(string $of): bool => !extension_loaded($of)),
            ),
            ...array_filter(self::PROGRAMS, fn(string $of): bool => (new ExecutableFinder())->find($of) === null),
        ];

        return $missing === [] ? null : 'not there: ' . implode(', ', $missing) . '; bin/start installs them';
    }

    private function rights(): ?string
    {
        $var = dirname(storage_path());
        foreach ([storage_path('publications'), storage_path('logs'), "{$var}/log", sys_get_temp_dir()] as $folder) {
            if (!is_dir($folder) || !is_writable($folder)) {
                return "{$folder} cannot be written by the account that the application runs under";
            }
        }
        $settings = "{$var}/env";

        return is_file($settings) && (fileperms($settings) & 0o077) !== 0
            ? "{$settings} holds keys and can be read by others: chmod 600"
            : null;
    }

    /** @return array<string, string|null> */
    private function database(): array
    {
        try {
            $version = (int) DB::scalar("select current_setting('server_version_num')");
            $apart = abs((float) DB::scalar('select extract(epoch from clock_timestamp())') - microtime(true));
        } catch (Throwable) {
            return [];
        }

        return [
            'PostgreSQL' =>
                $version < self::OLDEST_POSTGRESQL
                    ? "{$version} is older than 15: install Debian’s postgresql-15"
                    : null,
            'clock' =>
                $apart > self::SECONDS_APART
                    ? sprintf('the database’s is %.0f seconds apart from this machine’s: keep both by NTP', $apart)
                    : null,
        ];
    }

    private function mail(): ?string
    {
        if (config('mail.default') !== 'smtp') {
            return null;
        }
        [$host, $port] = [(string) config('mail.mailers.smtp.host'), (int) config('mail.mailers.smtp.port')];
        $server = @fsockopen($host, $port, timeout: self::MAIL_SECONDS);
        if ($server === false) {
            return "no mail server answers at {$host}:{$port}: see MAIL_HOST and MAIL_PORT";
        }
        stream_set_timeout($server, self::MAIL_SECONDS);
        $greeting = (string) fgets($server, 512);
        fclose($server);

        // RFC 5321, 4.2: a server that is ready says 220.
        return str_starts_with($greeting, '220') ? null : "what answers at {$host}:{$port} is no mail server";
    }
}
