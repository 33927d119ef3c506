<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Notice;
use App\Models\User;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;
use Illuminate\Support\Collection;

/** What happened since the last one. */
final class NoticesMail extends Mailable
{
    /** @param  Collection<int, Notice>  $notices  oldest first */
    public function __construct(private readonly User $person, private readonly Collection $notices)
    {
    }

    public function envelope(): Envelope
    {
        $count = $this->notices->count();

        $first = (string) $this->notices->first()?->says;

        return new Envelope(subject: $count === 1 ? $first : "{$count} things happened in your lessons");
    }

    public function content(): Content
    {
        return new Content(text: 'mail.notices', with: ['name' => $this->person->name, 'notices' => $this->notices]);
    }
}
