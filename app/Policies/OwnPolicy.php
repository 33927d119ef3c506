<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\ArchiveImport;
use App\Models\Device;
use App\Models\Notice;
use App\Models\PairedDevice;
use App\Models\Pairing;
use App\Models\User;
use App\People\CurrentUser;
use Illuminate\Auth\Access\Response;

/** What is one person's alone: for everybody else it is not there. Where one works alone it is nobody's. */
final class OwnPolicy
{
    public function see(?User $person, ArchiveImport|Device|Notice|PairedDevice|Pairing|User $model): Response
    {
        return self::isOwn($person, $model);
    }

    public function write(?User $person, ArchiveImport|Device|Notice|PairedDevice|Pairing|User $model): Response
    {
        return self::isOwn($person, $model);
    }

    private static function isOwn(?User $person, ArchiveImport|Device|Notice|PairedDevice|Pairing|User $model): Response
    {
        $owner = $model instanceof User ? $model->id : $model->user_id;

        return ! CurrentUser::signsIn() || $owner === $person?->id ? Response::allow() : Response::denyAsNotFound();
    }
}
