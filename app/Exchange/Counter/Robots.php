<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use RuntimeException;

/** Who is no person: by the list of the package crawler-user-agents. */
final class Robots
{
    private const LIST = 'node_modules/crawler-user-agents/crawler-user-agents.json';

    private ?string $pattern = null;

    public function has(string $userAgent): bool
    {
        return preg_match($this->pattern ??= self::pattern(), $userAgent) === 1;
    }

    /** All of the list as one, made once from it. */
    private static function pattern(): string
    {
        $made = storage_path('framework/cache/robots.php');
        $list = base_path(self::LIST);
        $mark = (int) filemtime($list);
        $kept = is_file($made) ? require $made : null;
        if (is_array($kept) && $kept[0] === $mark) {
            return $kept[1];
        }
        $patterns = [];
        foreach ((array) json_decode((string) file_get_contents($list), true) as $robot) {
            $pattern = str_replace('~', '\~', (string) (((array) $robot)['pattern'] ?? ''));
            if ($pattern !== '' && @preg_match("~{$pattern}~", '') !== false) {
                $patterns[] = $pattern;
            }
        }
        $patterns !== [] || throw new RuntimeException("{$list} has no robots.");
        $all = '~' . implode('|', $patterns) . '~';
        $new = tempnam(dirname($made), 'robots') ?: throw new RuntimeException('No room for the list of robots.');
        file_put_contents($new, '<?php return ' . var_export([$mark, $all], true) . ';');
        chmod($new, 0o644);
        rename($new, $made);

        return $all;
    }
}
