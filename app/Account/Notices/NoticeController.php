<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\View\View;

/** What a person was told. */
final class NoticeController
{
    public function index(RequestContext $current, ReadNotices $read): View
    {
        return view('account.notices.notices', [
            'notices' => $read($current->requiredPerson(), CarbonImmutable::now()),
        ]);
    }
}
