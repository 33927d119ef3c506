<?php

declare(strict_types=1);

namespace App\Mail;

use App\People\OwnAddress;
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
        return new self('Choose a new password', [
            'Somebody, perhaps you, asked for a new password for Open Reel. Choose one here:',
            $link,
            "The link works for {$minutes} minutes. If it was not you, do nothing: your password stays as it is.",
        ]);
    }

    public static function passwordChanged(): self
    {
        return new self('Your password was changed', [
            'Your password for Open Reel was changed, and you were signed out everywhere else.',
            'If that was not you, choose a new password at once: '.OwnAddress::of('/forgotten'),
        ]);
    }

    public static function codes(bool $on): self
    {
        return new self($on ? 'One-time codes are on' : 'One-time codes are off', [
            $on
                ? 'From now on you are asked for a code from your phone when you sign in to Open Reel.'
                : 'You are no longer asked for a code when you sign in to Open Reel.',
            'If that was not you, choose a new password at once: '.OwnAddress::of('/forgotten'),
        ]);
    }

    public static function wrongCodes(int $count): self
    {
        return new self('Somebody knows your password', [
            "{$count} wrong one-time codes were tried for your account in Open Reel today, by somebody who knew your password.",
            'If that was not you, choose a new password at once: '.OwnAddress::of('/forgotten'),
            'Nobody was let in. If codes are refused meanwhile, a spare code lets you in.',
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
