<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Shared\RequestContext;
use Illuminate\View\View;

/** What is kept about me, to see. */
final class OwnDataController
{
    public function __construct(private readonly RequestContext $current) {}

    public function show(OwnData $data): View
    {
        return view('account.privacy.own-data', ['kinds' => $data->of($this->current->requiredPerson())]);
    }
}
