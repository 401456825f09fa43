<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

final class LetterMail extends Mailable
{
    public function __construct(
        private readonly string $name,
        private readonly string $library,
        private readonly string $text,
    ) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: __('letters.mail_subject', ['library' => $this->library]));
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.mail.notice-mail',
            with: ['name' => $this->name, 'body' => $this->text, 'link' => route('letters.create')],
        );
    }
}
