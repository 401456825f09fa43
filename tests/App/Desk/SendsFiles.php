<?php

declare(strict_types=1);

namespace Tests\App\Desk;

/** Files as the Desk's pages send them. */
trait SendsFiles
{
    /** @return string the number of what was sent */
    private function sendFile(string $name, string $bytes): string
    {
        $id = $this->postJson('/desk/uploads', ['name' => $name, 'bytes' => strlen($bytes)])->json('id');
        $this->call('PUT', "/desk/uploads/{$id}?at=0", content: $bytes, server: ['HTTP_ACCEPT' => 'application/json']);

        return (string) $id;
    }
}
