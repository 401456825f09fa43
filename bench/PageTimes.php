<?php

declare(strict_types=1);

namespace Bench;

use RuntimeException;

/** Asks for pages as one client does, through nginx, and measures the time to the first byte. */
final class PageTimes
{
    /** The file with the cookies. */
    public readonly string $jar;

    private readonly \CurlHandle $curl;

    /** @param  array{float, float}  $marks  median and 95th percentile, in milliseconds */
    public function __construct(
        private readonly string $base,
        private readonly int $times,
        private readonly int $warmUp,
        private readonly array $marks,
    ) {
        $this->jar = tempnam(sys_get_temp_dir(), 'jar') ?: throw new RuntimeException('No room for cookies.');
        $this->curl = curl_init();
    }

    public function __destruct()
    {
        @unlink($this->jar);
    }

    /**
     * @param  array<int, mixed>  $options
     * @return array{body: string, status: int, bytes: int, ms: float}
     */
    public function get(string $path, array $options = []): array
    {
        curl_reset($this->curl);
        curl_setopt_array(
            $this->curl,
            [
                CURLOPT_URL => $this->base . $path,
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_COOKIEFILE => $this->jar,
                CURLOPT_COOKIEJAR => $this->jar,
                CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip'],
            ] + $options,
        );
        $body = (string) curl_exec($this->curl);

        return [
            'body' => (string) (@gzdecode($body) ?: $body),
            'status' => (int) curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE),
            'bytes' => strlen($body),
            'ms' => curl_getinfo($this->curl, CURLINFO_STARTTRANSFER_TIME) * 1000,
        ];
    }

    /** @param  array<string, string>  $form */
    public function send(string $page, array $form): void
    {
        preg_match('/name="_token" value="([^"]+)"/', $this->get($page)['body'], $m) === 1 ||
            throw new RuntimeException("{$page} has no form.");
        $this->get($page, [CURLOPT_POSTFIELDS => http_build_query(['_token' => $m[1]] + $form)]);
    }

    /**
     * @param  array<string, array{string, list<string>}>  $pages  address and headers by name
     * @return list<list<string>> rows of a table
     */
    public function measure(array $pages): array
    {
        $rows = [];
        foreach ($pages as $name => [$path, $headers]) {
            [[$times, $yards, $bytes], $stolen] = Report::undisturbed(fn(): array => $this->run($path, $headers));
            $p50 = Report::percentile($times, 0.5);
            $p95 = Report::percentile($times, 0.95);
            $yard = Report::percentile($yards, 0.5);
            $rows[] = [
                $name,
                sprintf('%.1f', $p50),
                sprintf('%.1f', $p95),
                sprintf('%.1f', $yard),
                sprintf('%.1f', $p50 / $yard),
                sprintf('%.1f', $bytes / 1024),
                $p50 <= $this->marks[0] && $p95 <= $this->marks[1] ? 'within' : 'beyond',
                sprintf('%.0f%%', $stolen * 100),
            ];
        }

        return $rows;
    }

    /** @param  list<list<string>>  $rows */
    public static function table(array $rows): void
    {
        Report::table(
            ['page', 'median ms', 'p95 ms', 'yardstick ms', 'median ÷ yardstick', 'gzipped kB', 'marks', 'stolen'],
            $rows,
        );
    }

    /**
     * @param  list<string>  $headers
     * @return array{list<float>, list<float>, int}
     */
    private function run(string $path, array $headers): array
    {
        $times = $yards = [];
        $bytes = 0;
        $options = $headers === [] ? [] : [CURLOPT_HTTPHEADER => ['Accept-Encoding: gzip', ...$headers]];
        for ($i = 0; $i < $this->times + $this->warmUp; $i++) {
            $answer = $this->get($path, $options);
            if ($answer['status'] >= 400) {
                throw new RuntimeException("{$path} answered {$answer['status']}");
            }
            if ($i >= $this->warmUp) {
                $times[] = $answer['ms'];
                $yards[] = Report::yardstick();
            }
            $bytes = $answer['bytes'];
        }

        return [$times, $yards, $bytes];
    }
}
