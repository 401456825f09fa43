<?php

declare(strict_types=1);

/*
 * A website that says one thing to everybody: php odd-website.php PORT ANSWER [FILE]
 * ANSWER in base64. With a FILE it goes on without an end after that, and writes there how many bytes it could send;
 * who asks for the head alone is refused.
 */

[, $port, $answer, $file] = [...$argv, ''];
$server = stream_socket_server("tcp://127.0.0.1:{$port}") ?: exit(1);
for ($n = 0; $n < 20; $n++) {
    $client = @stream_socket_accept($server, 20);
    if ($client === false) {
        continue;
    }
    $question = (string) fread($client, 4000);
    if ($file !== '' && str_starts_with($question, 'HEAD')) {
        fwrite($client, "HTTP/1.1 405 No\r\nContent-Length: 0\r\n\r\n");
    } else {
        @fwrite($client, (string) base64_decode($answer));
        $sent = 0;
        while ($file !== '' && $question !== '' && ($bytes = @fwrite($client, str_repeat('a', 8000))) > 0) {
            $sent += $bytes;
        }
        $sent === 0 || file_put_contents($file, (string) $sent);
    }
    fclose($client);
}
