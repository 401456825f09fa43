<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use FigPorch\Core\Lending\BeginningRules;

/** What must be known of a library before it can open. */
final readonly class NewLibrary
{
    /** What stands in addresses: letters and digits of English, with hyphens between. */
    public const SLUG = '/^[a-z0-9]+(-[a-z0-9]+)*$/D';

    /**
     * @param  string  $slug  its name in addresses, such as saltmere
     * @param  string  $pinContact  whom patrons ask for a new PIN, such as "the front desk"
     * @param  string|null  $consortium  the name of the libraries it shares with; null for none
     */
    public function __construct(
        public string $name,
        public string $shortName,
        public string $slug,
        public string $place,
        public string $timezone,
        public string $pinContact,
        public BeginningRules $rules,
        public ?string $consortium = null,
    ) {}
}
