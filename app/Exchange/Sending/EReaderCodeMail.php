<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

final class EReaderCodeMail extends Mailable implements ShouldBeEncrypted
{
    use Queueable;

    public function __construct(private readonly string $name, private readonly string $code) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: __('sending.code_subject'));
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.sending.code-mail',
            with: ['name' => $this->name, 'code' => $this->code, 'hours' => KeepEReader::CODE_HOURS],
        );
    }
}
