<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use Illuminate\Console\Command;

/**
 * What an application has to know to trust the licences of this installation: the certificate that stands at the root.
 */
final class ProviderCommand extends Command
{
    protected $signature = 'lcp:provider {--root : print the root certificate}';

    protected $description = 'Make certificates that sign protected files, unless they are there; say what they are';

    public function handle(Provider $provider): int
    {
        $certificates = $provider->certificates();
        if ($this->option('root') === true) {
            $this->output->write($certificates['root']);

            return self::SUCCESS;
        }
        foreach ($certificates as $which => $certificate) {
            $of = (array) openssl_x509_parse($certificate);
            $this->line(
                sprintf(
                    '%-9s %s, until %s, SHA-256 %s',
                    $which,
                    is_array($of['subject'] ?? null) ? $of['subject']['CN'] ?? '' : '',
                    gmdate('Y-m-d', (int) ($of['validTo_time_t'] ?? 0)),
                    openssl_x509_fingerprint($certificate, 'sha256'),
                ),
            );
        }

        return self::SUCCESS;
    }
}
