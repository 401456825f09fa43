<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Notice;
use App\View\NoticeText;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

final class NoticeMail extends Mailable
{
    public function __construct(private readonly Notice $notice)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: NoticeText::subject($this->notice));
    }

    public function content(): Content
    {
        return new Content(text: 'account.notice-mail', with: [
            'name' => $this->notice->person->name,
            'body' => NoticeText::body($this->notice),
            'link' => route('titles.show', $this->notice->facts['title']),
        ]);
    }
}
