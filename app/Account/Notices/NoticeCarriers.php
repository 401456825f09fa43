<?php

declare(strict_types=1);

namespace App\Account\Notices;

use stdClass;

/** What takes notices out of the application, to people's mail and devices. */
interface NoticeCarriers
{
    /**
     * Called in the transaction that wrote the notices: what it does is done if that is, or not at all.
     *
     * @param  stdClass  $given  as the SQL function notices_give gives it: what is to be mailed, and what devices are
     *     to show
     */
    public function carry(stdClass $given): void;
}
