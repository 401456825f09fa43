<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\Sending;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Attachment;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

final class ParcelMail extends Mailable
{
    public function __construct(private readonly Sending $sending, private readonly Parcel $parcel) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->sending->name);
    }

    public function content(): Content
    {
        return new Content(
            text: 'exchange.sending.parcel-mail',
            with: [
                'name' => $this->sending->person->name,
                'what' => $this->sending->name,
                'said' => $this->parcel->text,
            ],
        );
    }

    /** @return list<Attachment> */
    public function attachments(): array
    {
        return array_map(
            fn(string $name): Attachment => Attachment::fromPath($this->parcel->files[$name][1])
                ->as($name)
                ->withMime($this->parcel->files[$name][0]),
            array_keys($this->parcel->files),
        );
    }
}
