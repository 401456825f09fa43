<?php

declare(strict_types=1);

// Known holes in the packages that are installed, as far as the registries answer: php tests/advisories.php
// A registry that does not answer is no failure; it is said.

$said = fn(string $command): ?array => json_decode((string) shell_exec("{$command} 2> /dev/null"), true);
$wrong = 0;

$php = $said('timeout 60 composer audit --no-interaction --format=json');
if (!isset($php['advisories'])) {
    echo "The registry of PHP packages did not answer.\n";
} else {
    foreach ($php['advisories'] as $package => $all) {
        foreach ($all as $of) {
            echo "{$package}: {$of['title']} ({$of['cve']})\n";
            $wrong++;
        }
    }
}
$node = $said('timeout 60 npm audit --json');
if (!isset($node['metadata']['vulnerabilities'])) {
    echo "The registry of npm packages did not answer.\n";
} else {
    foreach ($node['vulnerabilities'] as $package => $of) {
        if (in_array($of['severity'], ['high', 'critical'], true)) {
            echo "{$package}: {$of['severity']}\n";
            $wrong++;
        }
    }
}
echo $wrong === 0 ? "No advisory is known.\n" : "{$wrong} advisories.\n";
exit($wrong === 0 ? 0 : 1);
