<?php

declare(strict_types=1);

namespace Tests\App;

use RuntimeException;

/** Stand-ins for services that are not ours, run beside a test. */
trait StandIns
{
    /** @var list<resource> */
    private static array $running = [];

    /**
     * @param  string  ...$arguments  after its port
     * @return int the port on which it answers
     */
    private static function standIn(string $name, string ...$arguments): int
    {
        $port = self::freePort();
        $process = proc_open(
            ['node', dirname(__DIR__, 2) . "/standins/{$name}/server.mjs", (string) $port, ...array_values($arguments)],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', sys_get_temp_dir() . "/{$name}.log", 'w']],
            $pipes,
        );
        if ($process === false) {
            throw new RuntimeException("The stand-in {$name} does not start.");
        }
        self::$running[] = $process;
        for ($tries = 0; $tries < 200; $tries++) {
            $socket = @fsockopen('127.0.0.1', $port, timeout: 1);
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
            usleep(50_000);
        }
        throw new RuntimeException("The stand-in {$name} does not answer.");
    }

    private static function freePort(): int
    {
        $server = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $name = (string) stream_socket_get_name($server, false);
        fclose($server);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    public static function tearDownAfterClass(): void
    {
        foreach (self::$running as $process) {
            proc_terminate($process);
            proc_close($process);
        }
        self::$running = [];
        parent::tearDownAfterClass();
    }
}
