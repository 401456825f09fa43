<?php

declare(strict_types=1);

// A supplier that means harm, served by PHP itself: php -S 127.0.0.1:PORT tests/App/Exchange/hostile-supplier.php

$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
switch ($path) {
    case '/endless':
        header('Content-Type: application/opds+json');
        for ($sent = 0; $sent < 200; $sent++) {
            echo str_repeat(' ', 1_000_000);
            flush();
        }
        break;
    case '/packed':
        // 40 MB of blanks in 40 kB.
        header('Content-Encoding: gzip');
        echo gzencode(str_repeat(' ', 40_000_000));
        break;
    case '/inside':
        header('Location: http://127.0.0.2:80/secret', response_code: 302);
        break;
    case '/file':
        header('Location: file:///etc/passwd', response_code: 302);
        break;
    case '/round':
        header('Location: /round', response_code: 307);
        break;
    case '/moved':
        header('Location: /feed', response_code: 301);
        break;
    default:
        echo json_encode(['metadata' => ['title' => 'Supply'], 'publications' => []]);
}
