<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Links;

/** What was found where a website should be. */
enum Trouble: string
{
    /** Nothing of this address (404, 410). */
    case Gone = 'gone';

    /** The website says that it is broken (5xx). */
    case Broken = 'broken';

    /** Nobody knows the name of the host. */
    case NoHost = 'no_host';

    /** No answer, or none in time. */
    case Silent = 'silent';

    /** Its certificate is not good. */
    case Unsafe = 'unsafe';

    /** It leads on and on. */
    case Circle = 'circle';

    /** It stands inside this network, and is not looked at. */
    case Inside = 'inside';

    /**
     * Of a status that is no redirection. Who asks for a name, for money, for patience, or wants no machines, is there
     * (RFC 9110, 15; RFC 6585, 4; RFC 7725, 3).
     */
    public static function ofStatus(int $status): ?self
    {
        return match (true) {
            $status < 400, in_array($status, [401, 402, 403, 407, 425, 429, 451], true) => null,
            $status === 404, $status === 410 => self::Gone,
            default => self::Broken,
        };
    }

    /** Whether it may be this side that is cut off. */
    public function mayBeOurs(): bool
    {
        return $this === self::NoHost || $this === self::Silent;
    }
}
