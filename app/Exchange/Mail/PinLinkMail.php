<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\SignIn\ChoosePin;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

final class PinLinkMail extends Mailable
{
    public function __construct(
        private readonly string $name,
        private readonly string $library,
        private readonly string $link,
    ) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: __('account.pin_mail_subject', ['library' => $this->library]));
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.mail.notice-mail',
            with: [
                'name' => $this->name,
                'body' => __('account.pin_mail_body', [
                    'library' => $this->library,
                    'minutes' => ChoosePin::LINK_MINUTES,
                ]),
                'link' => $this->link,
            ],
        );
    }
}
