<?php

declare(strict_types=1);

return [
    App\Shared\AppServiceProvider::class,
    App\Account\AccountServiceProvider::class,
    App\Lending\LendingServiceProvider::class,
    App\Catalogue\CatalogueServiceProvider::class,
    App\Reading\ReadingServiceProvider::class,
    App\Exchange\ExchangeServiceProvider::class,
    App\Desk\DeskServiceProvider::class,
    FigPorch\Demo\DemoServiceProvider::class,
];
