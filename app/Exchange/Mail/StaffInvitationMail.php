<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use FigPorch\Core\Desk\StaffRole;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** Whoever reads the queue does not learn the link. */
final class StaffInvitationMail extends Mailable implements ShouldBeEncrypted, ShouldQueue
{
    use Queueable;

    public int $tries = 8;

    public function __construct(
        private readonly string $inviter,
        private readonly string $library,
        private readonly StaffRole $role,
        private readonly string $link,
    ) {}

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [5, 30, 120, 600];
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: __('staff.mail_subject', ['library' => $this->library]));
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.mail.staff-invitation',
            with: [
                'inviter' => $this->inviter,
                'library' => $this->library,
                'role' => __("staff.roles.{$this->role->value}.0"),
                'link' => $this->link,
            ],
        );
    }
}
