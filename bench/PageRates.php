<?php

declare(strict_types=1);

namespace Bench;

use RuntimeException;

/** Asks for one page as several clients do at once, and counts how many are answered in a second. */
final class PageRates
{
    private const CLIENTS = 8;

    private const SECONDS = 8.0;

    private const WARM_UP = 2.0;

    /** @param  string  $jar  the file with the cookies of all clients */
    public function __construct(private readonly string $base, private readonly string $jar) {}

    /** @return array{float, float} pages a second; the median time of one, in milliseconds */
    public function of(string $path): array
    {
        $this->ask($path, self::WARM_UP);
        $times = $this->ask($path, self::SECONDS);

        return [count($times) / self::SECONDS, Report::percentile($times, 0.5)];
    }

    /** @return list<float> of each page that was answered, in milliseconds */
    private function ask(string $path, float $seconds): array
    {
        $all = curl_multi_init();
        $until = hrtime(true) + $seconds * 1e9;
        for ($n = 0; $n < self::CLIENTS; $n++) {
            curl_multi_add_handle($all, $this->client($path, $n));
        }
        $times = [];
        do {
            curl_multi_exec($all, $running);
            while (($done = curl_multi_info_read($all)) !== false) {
                $client = $done['handle'];
                $status = curl_getinfo($client, CURLINFO_RESPONSE_CODE);
                if ($status !== 200) {
                    throw new RuntimeException("{$path} answered {$status}");
                }
                $times[] = curl_getinfo($client, CURLINFO_TOTAL_TIME) * 1000;
                curl_multi_remove_handle($all, $client);
                curl_multi_add_handle($all, $client);
            }
            curl_multi_select($all, 0.05);
        } while (hrtime(true) < $until);
        curl_multi_close($all);

        return $times;
    }

    /** Each from an address of its own: one address that searches so often is slowed down on purpose. */
    private function client(string $path, int $n): \CurlHandle
    {
        $client = curl_init($this->base . $path);
        curl_setopt_array($client, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_INTERFACE => '127.0.0.' . (2 + $n),
            CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip'],
        ]);

        return $client;
    }
}
