<?php

declare(strict_types=1);

namespace App\Reading\Sections;

use Illuminate\Contracts\Session\Session;

/** Sections to which somebody had a link before they could open the title. */
final class WantedSections
{
    private const KEY = 'wanted_sections';

    /** Of titles; the last asked for are kept. */
    private const MOST = 20;

    public static function keep(Session $session, int $titleId, string $address): void
    {
        $wanted = (array) $session->get(self::KEY, []);
        unset($wanted[$titleId]);
        $session->put(self::KEY, array_slice($wanted + [$titleId => $address], -self::MOST, preserve_keys: true));
    }

    /** Once: who opens the title again is where they left it. */
    public static function take(Session $session, int $titleId): ?string
    {
        $address = ((array) $session->get(self::KEY, []))[$titleId] ?? null;
        if ($address !== null) {
            $session->forget(self::KEY . ".{$titleId}");
        }

        return is_string($address) ? $address : null;
    }
}
