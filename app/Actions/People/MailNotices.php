<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Mail\NoticesMail;
use App\Models\Notice;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;

/** Mails people what they have not seen, to each at most once an hour. What cannot be sent is tried again an hour later. */
final class MailNotices
{
    private const EVERY_MINUTES = 60;

    /** Whoever looks anyway need not be written to. */
    private const WAIT_MINUTES = 5;

    /** @return int how many mails were sent */
    public function __invoke(): int
    {
        Notice::query()->where('created_at', '<', now()->subDays(Notify::DAYS))->delete();
        $sent = 0;
        $waiting = self::unseen()->where('created_at', '<=', now()->subMinutes(self::WAIT_MINUTES))->select('user_id');
        /** @var Collection<int, User> $people */
        $people = User::query()
            ->where('wants_mail', true)
            ->where(fn (Builder $q) => $q
                ->whereNull('mailed_at')
                ->orWhere('mailed_at', '<=', now()->subMinutes(self::EVERY_MINUTES)))
            ->whereIn('id', $waiting)
            ->get();
        foreach ($people as $person) {
            /** @var Collection<int, Notice> $notices */
            $notices = self::unseen()->where('user_id', $person->id)->orderBy('id')->get();
            $person->update(['mailed_at' => now()]);
            try {
                Mail::to($person->email, $person->name)->send(new NoticesMail($person, $notices));
            } catch (\Throwable $e) {
                Log::error('A mail could not be sent', ['person' => $person->id, 'detail' => $e->getMessage()]);

                continue;
            }
            Notice::query()->whereKey($notices->modelKeys())->update(['mailed_at' => now()]);
            $sent++;
        }

        return $sent;
    }

    /** @return Builder<Notice> */
    private static function unseen(): Builder
    {
        return Notice::query()->where('read_at', null)->where('mailed_at', null);
    }
}
