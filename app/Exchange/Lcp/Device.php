<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Shared\Input;
use Illuminate\Http\Request;

/** A device as an application names it (LSD 1.0, 3.3): a number of its own making, and what its person calls it. */
final readonly class Device
{
    private const MOST = 255;

    private function __construct(public string $id, public string $name) {}

    /** @return self|null null where it does not say what it is called and by what it is known */
    public static function of(Request $request): ?self
    {
        [$id, $name] = [trim(Input::text($request, 'id')), trim(Input::text($request, 'name'))];
        $isOne = $id !== '' && $name !== '' && mb_strlen($id) <= self::MOST && mb_strlen($name) <= self::MOST;

        return $isOne ? new self($id, $name) : null;
    }
}
