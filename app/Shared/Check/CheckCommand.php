<?php

declare(strict_types=1);

namespace App\Shared\Check;

use Illuminate\Console\Command;

final class CheckCommand extends Command
{
    protected $signature = 'installation:check {--json : for programs}';

    protected $description = 'Say what is wrong with this installation';

    public function handle(InstallationCheck $check): int
    {
        $problems = $check->problems();
        $wrong = array_filter($problems);
        if ($this->option('json')) {
            $this->output->writeln(
                (string) json_encode(['well' => $wrong === [], 'looked_at' => $problems], JSON_UNESCAPED_UNICODE),
            );
        } else {
            foreach ($problems as $of => $problem) {
                $this->line(sprintf('  %-11s %s', $of, $problem ?? 'well'));
            }
        }

        return $wrong === [] ? self::SUCCESS : self::FAILURE;
    }
}
