<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A few plain sentences about somebody's own account. */
final class AccountMail extends Mailable
{
    /** @param  list<string>  $paragraphs */
    private function __construct(private readonly string $about, private readonly array $paragraphs)
    {
    }

    /** @param  string  $link  with which another password is chosen */
    public static function reset(string $link, int $minutes): self
    {
        return new self('Choose another password', [
            'Somebody, you perhaps, asked for another password for Open Reel. Here you choose one:',
            $link,
            "The link holds for {$minutes} minutes. If it was not you, do nothing: your password stays.",
        ]);
    }

    public static function passwordChanged(): self
    {
        return new self('Your password was changed', [
            'Your password for Open Reel was changed, and everything else that was signed in is signed out.',
            'If that was not you, choose another password at once: '.url('/forgotten'),
        ]);
    }

    public static function codes(bool $on): self
    {
        return new self($on ? 'One-time codes are on' : 'One-time codes are off', [
            $on
                ? 'From now on a code of your telephone is asked for when you sign in to Open Reel.'
                : 'When you sign in to Open Reel no code is asked for any more.',
            'If that was not you, choose another password at once: '.url('/forgotten'),
        ]);
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: 'mail.account', with: ['paragraphs' => $this->paragraphs]);
    }
}
