<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use GuzzleHttp\ClientInterface;
use GuzzleHttp\Promise\PromiseInterface;
use Illuminate\Http\Client\PendingRequest;
use LogicException;
use Psr\Http\Message\RequestInterface;
use Psr\Http\Message\ResponseInterface;

/** What a package asks for goes where and for as long as a request of ours may. */
final class BoundClient implements ClientInterface
{
    public function __construct(private readonly PendingRequest $request) {}

    /** @param  array<mixed>  $options */
    public function send(RequestInterface $request, array $options = []): ResponseInterface
    {
        return $this->request
            ->withHeaders(
                array_map(
                    fn(array $of): string => implode(', ', $of),
                    $request->withoutHeader('Content-Type')->getHeaders(),
                ),
            )
            ->withBody((string) $request->getBody(), $request->getHeaderLine('Content-Type') ?: 'text/plain')
            ->send($request->getMethod(), (string) $request->getUri())
            ->toPsrResponse();
    }

    /** @param  array<mixed>  $options */
    public function sendAsync(RequestInterface $request, array $options = []): PromiseInterface
    {
        throw new LogicException('One question at a time.');
    }

    /** @param  array<mixed>  $options */
    public function request(string $method, $uri, array $options = []): ResponseInterface
    {
        throw new LogicException('Requests are made before they are sent.');
    }

    /** @param  array<mixed>  $options */
    public function requestAsync(string $method, $uri, array $options = []): PromiseInterface
    {
        throw new LogicException('One question at a time.');
    }

    public function getConfig(?string $option = null): mixed
    {
        return null;
    }
}
