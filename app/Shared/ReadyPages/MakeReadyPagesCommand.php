<?php

declare(strict_types=1);

namespace App\Shared\ReadyPages;

use App\Shared\Middleware\VisitorsLanguage;
use Illuminate\Console\Command;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\App;
use Illuminate\Support\Facades\Vite;

final class MakeReadyPagesCommand extends Command
{
    protected $signature = 'pages:ready';

    protected $description = 'Write the pages that the web server gives out when the application does not answer';

    public function handle(Filesystem $files): int
    {
        // By whatever name it is asked for.
        Vite::createAssetPathsUsing(fn(string $path): string => "/{$path}");
        foreach (VisitorsLanguage::known() as $language) {
            App::setLocale($language);
            foreach (ReadyPage::cases() as $page) {
                $words = $page === ReadyPage::Broken ? 'common.error.500' : "common.ready.{$page->value}";
                $files->ensureDirectoryExists(dirname($page->file($language)));
                $files->replace(
                    $page->file($language),
                    view('errors.plain', [
                        'heading' => __("{$words}.heading"),
                        'text' => __("{$words}.text"),
                        // The same address again.
                        'to' => '',
                        'button' => __('common.busy.again'),
                    ])->render(),
                );
            }
        }

        return self::SUCCESS;
    }
}
