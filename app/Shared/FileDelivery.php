<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;

/** Sends a file of a publication: nginx does it on our word, without the file passing through PHP. */
final class FileDelivery
{
    public function __construct(private readonly Request $request) {}

    /**
     * @param  string  $path  below storage/publications
     * @param  bool  $alone  it may be opened by itself, as a picture in a window of its own
     */
    public function send(string $path, string $type, bool $alone = false): Response
    {
        if (!$alone && !ResponseHeaders::mayBeFetchedAs($this->request->headers->get('Sec-Fetch-Dest'))) {
            return new Response(ResponseHeaders::refusal(), Response::HTTP_FORBIDDEN, [
                'Content-Type' => 'text/plain; charset=utf-8',
                ...ResponseHeaders::ofFile(),
            ]);
        }
        if (config('figporch.file_delivery') === 'accel') {
            $response = new Response();
            // nginx gives either ranges or compression, not both.
            $folder = $this->request->headers->has('Range') ? '/_ranges/' : '/_publications/';
            $response->headers->set(
                'X-Accel-Redirect',
                $folder . implode('/', array_map(rawurlencode(...), explode('/', $path))),
            );
        } else {
            $file = storage_path("publications/{$path}");
            is_file($file) || abort(404);
            $response = new BinaryFileResponse($file);
        }
        $response->headers->set('Content-Type', $type);
        $response->headers->add(ResponseHeaders::ofFile());

        return $response;
    }

    /**
     * A file to keep, under a name of its own.
     *
     * @param  string  $path  below storage/prepared
     */
    public function attachment(string $path, string $name, string $type): Response
    {
        if (config('figporch.file_delivery') === 'accel') {
            $response = new Response();
            $response->headers->set('X-Accel-Redirect', "/_prepared/{$path}");
        } else {
            $response = new BinaryFileResponse(storage_path("prepared/{$path}"), autoLastModified: false);
        }
        $response->headers->set('Content-Type', $type);
        $response->headers->add(ResponseHeaders::ofFile());
        $response->headers->set(
            'Content-Disposition',
            HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name),
        );

        return $response;
    }
}
