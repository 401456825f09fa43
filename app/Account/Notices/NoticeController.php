<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Notice;
use App\Shared\RequestContext;
use Illuminate\View\View;

final class NoticeController
{
    public function index(RequestContext $current): View
    {
        $mine = Notice::query()->where('person_id', $current->person?->id)->where('shown', true);
        $notices = $mine->clone()->latest()->latest('id')->limit(100)->get();
        $mine->clone()->whereNull('read_at')->update(['read_at' => now()]);

        return view('account.notices.notices', ['notices' => $notices]);
    }
}
