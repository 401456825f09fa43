<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\Notices\NoticeText;
use App\Models\Notice;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Mail\Mailables\Headers;

final class NoticeMail extends Mailable
{
    public function __construct(private readonly Notice $notice) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: NoticeText::subject($this->notice));
    }

    /** The same for the same notice, so that mail programs would show it once whatever happened on the way. */
    public function headers(): Headers
    {
        return new Headers(
            messageId: "notice-{$this->notice->id}@" . parse_url((string) config('app.url'), PHP_URL_HOST),
        );
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.mail.notice-mail',
            with: [
                'name' => $this->notice->person->name,
                'body' => NoticeText::body($this->notice),
                'link' => url(NoticeText::address($this->notice)),
            ],
        );
    }
}
